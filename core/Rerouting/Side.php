<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

/** What of a route is meant: what it waits for, what it sends, or both. */
enum Side: string
{
    case Heard = 'heard';
    case Sent = 'sent';
    case Both = 'both';

    public function has(bool $isCause): bool
    {
        return match ($this) {
            self::Heard => $isCause,
            self::Sent => ! $isCause,
            self::Both => true,
        };
    }
}
