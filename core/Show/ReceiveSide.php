<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class ReceiveSide
{
    /**
     * @param string $address our own address to listen at, or the name of an adapter; 0.0.0.0 for all
     * @param bool $multicast join the multicast groups of the universes (sACN)
     * @param int $priority of sources whose format has none
     * @param list<UniverseLink> $feeds universes on the wire and where they go
     * @param bool $lastResort its sources lead only where no others are
     * @param list<string> $poll addresses that are asked who is there (Art-Net); a broadcast address asks a whole network
     * @param float $deadZone part of an axis' way, from its centre, that counts as the centre (game controllers), 0 to 0.9
     * @param list<float> $centres where each axis rests, -1 to 1 (game controllers)
     * @param array<string, int> $priorities of single senders, by IPv4 address (Art-Net)
     */
    public function __construct(
        public bool $enabled,
        public string $address,
        public int $port,
        public bool $multicast,
        public int $priority,
        public array $feeds,
        public bool $lastResort = false,
        public array $poll = [],
        public float $deadZone = 0.0,
        public array $centres = [],
        public array $priorities = [],
    ) {
    }
}
