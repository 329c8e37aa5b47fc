<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class ReceiveSide
{
    /**
     * @param string $address our own address to listen at; 0.0.0.0 for all
     * @param bool $multicast join the multicast groups of the universes (sACN)
     * @param int $priority of sources whose format has none
     * @param bool $lastResort its sources lead only where no others are
     * @param list<UniverseLink> $feeds universes on the wire and where they go
     */
    public function __construct(
        public bool $enabled,
        public string $address,
        public int $port,
        public bool $multicast,
        public int $priority,
        public array $feeds,
        public bool $lastResort = false,
    ) {
    }
}
