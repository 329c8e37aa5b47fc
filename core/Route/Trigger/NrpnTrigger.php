<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

/** A non-registered parameter has another value. */
final readonly class NrpnTrigger extends NumberedParameterTrigger
{
    public static function kind(): string
    {
        return 'nrpn';
    }

    public static function label(): string
    {
        return 'Non-registered parameter (NRPN), 0 to 16383';
    }

    protected function isRegistered(): bool
    {
        return false;
    }
}
