<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

/** Where packets go, and the local end that they leave from. */
final readonly class Destination
{
    /**
     * @param string $via key of the local end: an endpoint's, or "address:0" for any free UDP port
     * @param string $address IPv4, or the name of a device that has no address
     * @param int $port 0 where there are no ports
     */
    public function __construct(public string $via, public string $address, public int $port)
    {
    }

    public function spelled(): string
    {
        return $this->port === 0 ? $this->address : "{$this->address}:{$this->port}";
    }
}
