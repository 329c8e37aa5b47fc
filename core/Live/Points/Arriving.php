<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Slots as they are asked for by all who give them, merged: before curves, and without what is held by hand. */
final class Arriving extends SlotRoom
{
    public function __construct(private readonly Universes $universes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['arriving'];
    }

    public function describe(Reference $reference): ?Point
    {
        $name = $this->name($reference);

        return $name === null ? null : new Point($reference, "{$name}, as it arrives", PointKind::Level, 0.0, 255.0);
    }

    public function read(Reference $reference): ?int
    {
        $slot = $reference->slot();
        $universe = $this->universes->find($reference->id);

        return $slot === null || $universe === null ? null : \ord($universe->merged()[$slot]);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        return 'what arrives can only be read: set the slot itself';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'what arrives cannot be pressed';
    }
}
