<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Programme\Over;

/** What masters over the programme, over lists and over looks leave of intensities, before these are merged with anything. */
final readonly class BeforeMerging
{
    /** @var list<LiveMaster> */
    private array $live;

    /** @param array<string, LiveMaster> $live all masters */
    public function __construct(array $live)
    {
        $this->live = array_values(array_filter(
            $live,
            static fn(LiveMaster $one): bool => $one->master->over->isBeforeMerging(),
        ));
    }

    /**
     * @return list<array{float, bool}> what each leaves, and whether it is alone: where that is the same, nothing is scaled
     * otherwise
     */
    public function state(): array
    {
        return array_map(static fn(LiveMaster $one): array => [$one->share(), $one->isAlone], $this->live);
    }

    /** @return float 0 to 1: what is left of the intensities of a look */
    public function overLook(string $id): float
    {
        return $this->over(
            static fn(Master $master): bool => $master->over === Over::Looks && \in_array($id, $master->looks, true),
        );
    }

    /** @return float 0 to 1: what is left of the intensities of a list */
    public function overList(string $id): float
    {
        return $this->over(
            static fn(Master $master): bool => $master->over === Over::Lists && \in_array($id, $master->lists, true),
        );
    }

    /** @return float 0 to 1: what is left of the intensities that waves give in place of others */
    public function overWaves(): float
    {
        return $this->over(static fn(Master $master): bool => false);
    }

    /** @param \Closure(Master): bool $isOver */
    private function over(\Closure $isOver): float
    {
        $share = 1.0;
        $isShut = false;
        foreach ($this->live as $live) {
            $covers = $live->master->over === Over::Programme || $isOver($live->master);
            $share *= $covers ? $live->share() : 1.0;
            $isShut = $isShut || ($live->isAlone && ! $covers);
        }

        return $isShut ? 0.0 : $share;
    }
}
