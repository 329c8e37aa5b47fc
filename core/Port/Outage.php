<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** A time at which senders of a port were away. */
final readonly class Outage
{
    /**
     * @param int $from nanoseconds: when it was heard last
     * @param int|null $until null while it lasts
     * @param string $what who was away, from where
     * @param string $meanwhile what was done without it; '' while it was not lost
     */
    public function __construct(public int $from, public ?int $until, public string $what, public string $meanwhile)
    {
    }
}
