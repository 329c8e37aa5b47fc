<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Port\Receiver;

/** One local address and UDP port that the engine listens at, for all ports of the show that share it. */
final readonly class Endpoint
{
    /**
     * @param string $key the same for the same address, UDP port and protocol
     * @param list<string> $groups multicast groups to join
     * @param list<string> $portIds ports of the show that receive here
     * @param array<int, list<Mapping>> $mappings by the universe number on the wire
     */
    public function __construct(
        public string $key,
        public string $address,
        public int $port,
        public ?string $adapter,
        public array $groups,
        public array $portIds,
        public array $mappings,
        public Receiver $receiver,
    ) {
    }
}
