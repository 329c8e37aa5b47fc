<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Slots of universes: what leaves is read, what is set joins the merging as a contribution of its owner. */
final class Slots extends SlotRoom
{
    /** @param \Closure(): Changes $changes */
    public function __construct(private readonly Universes $universes, private readonly \Closure $changes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['slot'];
    }

    public function describe(Reference $reference): ?Point
    {
        $name = $this->name($reference);

        return $name === null ? null : new Point($reference, $name, PointKind::Level, 0.0, 255.0, isSet: true);
    }

    public function read(Reference $reference): ?int
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);

        return $slot === null || $universe === null ? null : \ord($universe->levels[$slot]);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);
        if ($slot === null || $universe === null) {
            return 'there is no such slot';
        }
        if (! is_numeric($value)) {
            return 'a slot has a level from 0 to 255';
        }
        $refusal = $this->universes->refusal($universe, $slot);
        if ($refusal === '') {
            $universe->layers()->set(
                $act->owner,
                $act->name,
                [$slot => (int) floor(max(0.0, min(255.0, (float) $value)) + 0.5)],
                $act->priority,
                ! $act->isHighest,
                ! $act->goesOn,
            );
            ($this->changes)()->touch($universe);
        }

        return $refusal;
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);
        if ($slot === null || $universe === null) {
            return 'there is no such slot';
        }
        $universe->layers()->letGo($owner, [$slot]);
        ($this->changes)()->touch($universe);

        return '';
    }

    public function without(Reference $reference, string $owner): ?int
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);

        return $slot === null || $universe === null ? null : \ord($universe->without($owner)[$slot]);
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a slot cannot be pressed';
    }
}
