<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

/** A value as so many bits have room for it. */
final class Bits
{
    /** @return int 0 to $highest */
    public static function held(int|float $value, int $highest): int
    {
        return (int) max(0, min($highest, floor($value + 0.5)));
    }
}
