<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Colours of pixels in per cent: of one ("pixels:wall/12/red"), or of all ("pixels:wall/red"); with "/leaves" what leaves. */
final class PixelColours extends PlanRoom
{
    private const LEAVES = '/leaves';

    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['pixels'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $part = self::part($reference);
        if (! $this->plan->pixels->has($reference->id, $part)) {
            return null;
        }
        $isAsked = $part === $reference->part;
        $name = $this->plan->pixels->said($reference->id, $part).($isAsked ? '' : ', as it leaves');

        return new Point($reference, $name, PointKind::Level, 0.0, 100.0, '%', isSet: $isAsked);
    }

    /** Where they differ there is no one value. */
    public function read(Reference $reference): ?float
    {
        $part = self::part($reference);
        $value = null;
        foreach ($this->plan->pixels->placements($reference->id, $part) as $placement) {
            $universe = $this->universes->find($placement->universeId);
            $levels = $part === $reference->part ? $universe?->merged() : $universe?->levels;
            $one = $levels === null ? null : 100 * $placement->placed->parameter->share($placement->valueIn($levels));
            if ($one === null || $one !== ($value ?? $one)) {
                return null;
            }
            $value = $one;
        }

        return $value;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        if (! is_numeric($value)) {
            return 'a colour has a value from 0 to 100 %';
        }
        $placements = $this->plan->pixels->placements($reference->id, $reference->part);
        foreach (self::levels($placements, (float) $value / 100) as $id => $levels) {
            $universe = $this->universes->find((string) $id);
            if ($universe !== null) {
                $universe->layers()->set($act->owner, $act->name, $levels, $act->priority, ! $act->isHighest, ! $act->goesOn);
                ($this->changes)()->touch($universe);
            }
        }

        return $placements === [] ? 'there is no such pixel or colour' : '';
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        foreach ($this->plan->pixels->placements($reference->id, $reference->part) as $placement) {
            $universe = $this->universes->find($placement->universeId);
            if ($universe !== null) {
                $universe->layers()->letGo($owner, $placement->slots);
                ($this->changes)()->touch($universe);
            }
        }

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a colour cannot be pressed';
    }

    /** Each colour of all pixels of a map: one pixel is found by its number. */
    public function all(): iterable
    {
        foreach ($this->plan->pixels->maps as $id => $map) {
            foreach ($map->order->parameters() as $parameter) {
                $reference = Reference::parse("pixels:{$id}/{$parameter->key}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    /**
     * @param list<Placement> $placements
     * @param float $share 0 to 1
     *
     * @return array<string, array<int, int>> level by universe and slot
     */
    private static function levels(array $placements, float $share): array
    {
        $levels = [];
        foreach ($placements as $placement) {
            $levels[$placement->universeId] = ($levels[$placement->universeId] ?? [])
                + $placement->levels($placement->placed->parameter->value($share));
        }

        return $levels;
    }

    private static function part(Reference $reference): string
    {
        return str_ends_with($reference->part, self::LEAVES)
            ? substr($reference->part, 0, -\strlen(self::LEAVES))
            : $reference->part;
    }
}
