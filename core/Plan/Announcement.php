<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Something that a port says again and again: a poll, the universes that it sends, a sign of life. */
final readonly class Announcement
{
    /**
     * @param string $key the same as long as it is the same one
     * @param list<string> $packets
     * @param list<Destination> $destinations
     */
    public function __construct(
        public string $key,
        public string $portId,
        public int $everyNanos,
        public array $packets,
        public array $destinations,
        public ?MessageExit $exit = null,
    ) {
    }
}
