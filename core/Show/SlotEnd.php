<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Signal\Frame;

/** The end of a route in its short form that is a slot. */
final readonly class SlotEnd implements Kind
{
    /**
     * @param int $slot 1 to 512
     * @param int $low 0 to 255
     * @param int $high 0 to 255
     */
    public function __construct(public string $universe, public int $slot, public int $low, public int $high)
    {
    }

    public static function kind(): string
    {
        return 'slot';
    }

    public static function label(): string
    {
        return 'Slot';
    }

    public static function fields(): array
    {
        return [
            Field::universe(),
            Field::whole('slot', 'Slot, 1 to 512', 1, Frame::SLOTS),
            Field::whole('low', 'From level', 0, 255, 0),
            Field::whole('high', 'to level', 0, 255, 255),
        ];
    }
}
