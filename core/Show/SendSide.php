<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class SendSide
{
    /**
     * @param string $address our own address to send from, or the name of an adapter; 0.0.0.0 leaves the choice to the system
     * @param list<string> $to
     * @param bool $multicast send to the multicast group of each universe instead (sACN)
     * @param int $perSecond most frames a second of each universe
     * @param list<UniverseLink> $carries
     * @param int|null $lines how many universes the interface has room for; null for all
     * @param bool $sync a synchronisation packet follows the frames of one moment (Art-Net)
     * @param int $syncUniverse universe of the synchronization packets (sACN); 0 for none
     * @param list<Span> $slotPriorities priorities of single slots (sACN, start code 0xDD); empty for none
     * @param bool $replies to whoever spoke to us last, instead of fixed addresses (OSC)
     * @param bool $announce the universes are told every ten seconds (sACN universe discovery)
     * @param string $heartbeat message that is sent all the time (OSC); '' for none
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
        public ?int $lines = null,
        public bool $sync = false,
        public int $syncUniverse = 0,
        public array $slotPriorities = [],
        public bool $replies = false,
        public string $heartbeat = '',
        public float $heartbeatSeconds = 1.0,
        public bool $announce = false,
    ) {
    }

    /**
     * The universes that have a line, in the order of their ranks, and those that have none.
     *
     * @return array{list<UniverseLink>, list<UniverseLink>}
     */
    public function ranked(): array
    {
        $links = $this->carries;
        usort($links, static fn(UniverseLink $a, UniverseLink $b): int => $a->rank <=> $b->rank);

        return [\array_slice($links, 0, $this->lines ?? \count($links)), $this->lines === null ? [] : \array_slice($links, $this->lines)];
    }
}
