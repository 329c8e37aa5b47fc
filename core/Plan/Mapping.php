<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Frames of one wire universe that arrive at an endpoint go to one of our universes. */
final readonly class Mapping
{
    /**
     * @param int|null $priority what sources get whose format has none; null: their own
     * @param bool $lastResort its sources lead only where no others are
     * @param array<string, int> $priorities of single senders, by IPv4 address
     * @param int|null $lostAfter nanoseconds of silence after which a source is lost; null for what its standard says
     */
    public function __construct(
        public string $portId,
        public string $universeId,
        public ?int $priority,
        public bool $lastResort = false,
        public array $priorities = [],
        public ?int $lostAfter = null,
    ) {
    }

    /** @param int|null $own what the sender's frame says of itself, 0 to 200 */
    public function priorityOf(?int $own, string $from): int
    {
        return $own ?? $this->priorities[$from] ?? $this->priority ?? 100;
    }
}
