<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

/** A registered parameter has another value. */
final readonly class RpnTrigger extends NumberedParameterTrigger
{
    public static function kind(): string
    {
        return 'rpn';
    }

    public static function label(): string
    {
        return 'Registered parameter (RPN), 0 to 16383';
    }

    protected function isRegistered(): bool
    {
        return true;
    }
}
