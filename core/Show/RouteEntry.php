<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** When this arrives, send that: one end is a message at a port, the other a slot of a universe. */
final readonly class RouteEntry
{
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public bool $fromMessage,
        public MessageEnd $message,
        public SlotEnd $slot,
    ) {
    }
}
