<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class SendSide
{
    /**
     * @param string $address our own address to send from; 0.0.0.0 leaves the choice to the system
     * @param list<string> $to
     * @param bool $multicast send to the multicast group of each universe instead (sACN)
     * @param int $perSecond most frames a second of each universe
     * @param list<UniverseLink> $carries
     */
    public function __construct(
        public bool $enabled,
        public string $address,
        public array $to,
        public int $port,
        public bool $multicast,
        public int $perSecond,
        public int $priority,
        public string $sourceName,
        public array $carries,
    ) {
    }
}
