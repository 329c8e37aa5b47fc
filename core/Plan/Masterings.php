<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Programme\Over;
use NimbleJunction\Core\Universe\Light;
use NimbleJunction\Core\Universe\Mastering;

/** Which masters are over which intensities. */
final class Masterings
{
    private const ONE_SLOT = 1;

    /** @var array<string, Master> by id: those that act on what leaves */
    private readonly array $masters;

    /** @var array<string, array<string, true>> ids of the fixtures that a master is over, by its id */
    private array $fixtures = [];

    /** @param array<string, Master> $masters by id */
    public function __construct(private readonly Patch $patch, array $masters)
    {
        $this->masters = array_filter($masters, static fn(Master $master): bool => ! $master->over->isBeforeMerging());
        foreach ($this->masters as $id => $master) {
            $fixtures = $master->over === Over::Groups
                ? array_merge(...array_map($patch->groups->fixtures(...), $master->groups))
                : $master->fixtures;
            $this->fixtures[$id] = array_fill_keys($fixtures, true);
        }
    }

    /**
     * @param bool $isRaw whether slots at which nothing is known to listen are intensities
     *
     * @return Mastering|null null where there is no intensity
     */
    public function of(string $universeId, bool $isRaw): ?Mastering
    {
        $lights = [];
        $taken = [];
        foreach ($this->patch->in($universeId) as $fixture) {
            foreach ($this->patch->footprint($fixture)->placed as $placed) {
                $placement = new Placement($fixture, $placed);
                if ($placed->isVirtual) {
                    continue;
                }
                $taken += array_fill_keys($placement->slots, true);
                if ($placed->parameter->kind === ParameterKind::Intensity && ! $placed->parameter->neverDriven) {
                    $lights[] = new Light(
                        $placement->slots,
                        $placed->parameter->value(0.0),
                        $this->over($universeId, $fixture->id),
                    );
                }
            }
        }
        foreach ($isRaw ? array_diff(range(0, Patch::SLOTS - self::ONE_SLOT), array_keys($taken)) : [] as $slot) {
            $lights[] = $this->patch->at($universeId, $slot + 1) === []
                ? new Light([$slot], 0, $this->over($universeId, ''))
                : null;
        }

        return $this->mastering(array_values(array_filter($lights)));
    }

    /** The same of the virtual intensities beside a universe. */
    public function beside(Intensities $intensities): ?Mastering
    {
        return $this->mastering(array_map(
            fn(Placement $one): Light => new Light($one->slots, 0, $this->over($intensities->universeId, $one->fixture->id)),
            $intensities->placements,
        ));
    }

    /** @param list<Light> $lights */
    private function mastering(array $lights): ?Mastering
    {
        return $lights === []
            ? null
            : new Mastering($lights, array_map(static fn(Master $master): string => $master->name, $this->masters));
    }

    /** @return list<string> ids */
    private function over(string $universeId, string $fixtureId): array
    {
        $over = [];
        foreach ($this->masters as $id => $master) {
            $isOver = match ($master->over) {
                Over::All => true,
                Over::Universes => \in_array($universeId, $master->universes, true),
                default => isset($this->fixtures[$id][$fixtureId]),
            };
            if ($isOver) {
                $over[] = (string) $id;
            }
        }

        return $over;
    }
}
