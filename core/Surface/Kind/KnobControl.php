<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

/** A knob: turned, or dragged up and down. */
final readonly class KnobControl extends Travelling
{
    public static function kind(): string
    {
        return 'knob';
    }

    public static function label(): string
    {
        return 'Knob';
    }

    public static function fields(): array
    {
        return self::travel();
    }
}
