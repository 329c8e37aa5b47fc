<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Where datagrams go, and the local end that they leave from. */
final readonly class Target
{
    /** @param string $via key of the local end, "address:port"; port 0 is any free one */
    public function __construct(public string $via, public string $address, public int $port)
    {
    }

    public function spelled(): string
    {
        return "{$this->address}:{$this->port}";
    }
}
