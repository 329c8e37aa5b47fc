<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

/** A sound root layer of the extended kind (synchronisation, universe discovery): heard, left alone. */
final readonly class Unhandled
{
    /** @param string $cid 16 bytes */
    public function __construct(public string $cid, public int $vector)
    {
    }

    public function named(): string
    {
        return match ($this->vector) {
            1 => 'synchronisation',
            2 => 'universe discovery',
            default => "extended packet {$this->vector}",
        };
    }
}
