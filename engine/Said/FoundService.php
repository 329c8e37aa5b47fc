<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Something that is offered on the network by name. */
final readonly class FoundService extends Said
{
    /** @param string $type "_apple-midi._udp", "_osc._udp" or "_osc._tcp" */
    public function __construct(
        public string $type,
        public string $protocol,
        public string $name,
        public string $address,
        public int $port,
    ) {
    }
}
