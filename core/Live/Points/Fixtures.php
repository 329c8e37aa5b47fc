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

/** Parameters of fixtures, in their own units at their full width: what is asked for, or, with "/leaves", what leaves. */
final class Fixtures extends PlanRoom
{
    private const LEAVES = '/leaves';

    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['fixture'];
    }

    public function notice(): Notice
    {
        return Notice::Levels;
    }

    public function describe(Reference $reference): ?Point
    {
        $placement = $this->find($reference);
        if ($placement === null) {
            return null;
        }
        $parameter = $placement->placed->parameter;
        [$low, $high] = $parameter->ends();
        $isAsked = ! str_ends_with($reference->part, self::LEAVES);
        $name = $placement->name().($isAsked ? '' : ', as it leaves');

        return new Point(
            $reference,
            $name,
            PointKind::Level,
            $low,
            $high,
            unit: $parameter->unit,
            isSet: $isAsked && ! $parameter->neverDriven,
            ranges: $parameter->namedRanges(),
        );
    }

    public function slots(Reference $reference): array
    {
        $placement = $this->find($reference);

        return $placement === null ? ['', []] : [$placement->universeId, $placement->slots];
    }

    public function read(Reference $reference): ?float
    {
        $placement = $this->find($reference);
        $universe = $placement === null ? null : $this->universes->find($placement->universeId);
        if ($placement === null || $universe === null) {
            return null;
        }
        $levels = str_ends_with($reference->part, self::LEAVES) ? $universe->levels : $universe->merged();
        $parameter = $placement->placed->parameter;

        return $parameter->inUnit($parameter->share($placement->valueIn($levels)));
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $placement = $this->plan->patch->find($reference->id, $reference->part);
        $universe = $placement === null ? null : $this->universes->find($placement->universeId);
        if ($placement === null || $universe === null) {
            return 'there is no such parameter';
        }
        $parameter = $placement->placed->parameter;
        if (! is_numeric($value)) {
            return "a parameter has a value from {$parameter->physical[0]} to {$parameter->physical[1]} {$parameter->unit}";
        }
        if ($parameter->neverDriven) {
            return "{$placement->name()} is never driven, as its profile says: hold it unlocked to reach it once";
        }
        $levels = $placement->levels($parameter->value($parameter->shareOf((float) $value)));
        $universe->layers()->set($act->owner, $act->name, $levels, $act->priority, ! $act->isHighest, ! $act->goesOn);
        ($this->changes)()->touch($universe);

        return '';
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $placement = $this->plan->patch->find($reference->id, $reference->part);
        $universe = $placement === null ? null : $this->universes->find($placement->universeId);
        if ($placement === null || $universe === null) {
            return 'there is no such parameter';
        }
        $universe->layers()->letGo($owner, $placement->slots);
        ($this->changes)()->touch($universe);

        return '';
    }

    public function without(Reference $reference, string $owner): ?float
    {
        $placement = $this->plan->patch->find($reference->id, $reference->part);
        $universe = $placement === null ? null : $this->universes->find($placement->universeId);
        $parameter = $placement?->placed->parameter;

        return $placement === null || $universe === null || $parameter === null
            ? null
            : $parameter->inUnit($parameter->share($placement->valueIn($universe->without($owner))));
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a parameter cannot be pressed';
    }

    public function all(): iterable
    {
        foreach ($this->plan->patch->fixtures as $fixture) {
            foreach (array_keys($this->plan->patch->footprint($fixture)->byKey) as $key) {
                $reference = Reference::parse("fixture:{$fixture->id}/{$key}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    private function find(Reference $reference): ?Placement
    {
        $part = str_ends_with($reference->part, self::LEAVES)
            ? substr($reference->part, 0, -\strlen(self::LEAVES))
            : $reference->part;

        return $this->plan->patch->find($reference->id, $part);
    }
}
