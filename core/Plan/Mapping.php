<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Frames of one wire universe that arrive at an endpoint go to one of our universes. */
final readonly class Mapping
{
    /**
     * @param int|null $priority what sources get whose format has none; null: their own
     * @param bool $lastResort its sources lead only where no others are
     */
    public function __construct(public string $portId, public string $universeId, public ?int $priority, public bool $lastResort = false)
    {
    }
}
