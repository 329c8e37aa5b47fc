<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Signal\Protocol;

/** One end of a link: what is received there, what is sent from there. At least one of the two. */
final readonly class PortEntry
{
    public function __construct(
        public string $id,
        public string $name,
        public Protocol $protocol,
        public bool $enabled,
        public ?ReceiveSide $receive,
        public ?SendSide $send,
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
