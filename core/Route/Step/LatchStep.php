<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** A press passes; letting go does nothing. */
final readonly class LatchStep implements Step
{
    public function __construct()
    {
    }

    public static function kind(): string
    {
        return 'latch';
    }

    public static function label(): string
    {
        return 'A press passes, letting go does not';
    }

    public static function fields(): array
    {
        return [
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        return $value > 0.0 ? $value : null;
    }

    public function words(Wording $wording): string
    {
        return 'a press passes, letting go does not';
    }
}
