<?php

declare(strict_types=1);

namespace App\Live;

/**
 * What the application signs tokens with and the engine checks them by: derived, so that the application's key itself
 * stays here.
 */
final class Secret
{
    public static function derive(string $key): string
    {
        return hash_hmac('sha256', 'live link', $key);
    }
}
