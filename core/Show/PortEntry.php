<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Signal\Protocol;

final readonly class PortEntry
{
    /** @param list<string> $allow IPv4 addresses or networks ("10.0.0.0/8") that it listens to; empty for all */
    public function __construct(
        public string $id,
        public string $name,
        public Protocol $protocol,
        public bool $enabled,
        public LinkEntry $link,
        public ?ReceiveSide $receive,
        public ?SendSide $send,
        public array $allow = [],
    ) {
    }

    public function receives(): bool
    {
        return $this->enabled && $this->receive !== null && $this->receive->enabled;
    }

    public function sends(): bool
    {
        return $this->enabled && $this->send !== null && $this->send->enabled;
    }
}
