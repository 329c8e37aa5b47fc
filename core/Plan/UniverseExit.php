<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\FrameSender;
use NimbleJunction\Core\Universe\Cadence;

/** One way out of a universe: in which format, to whom, how often. */
final readonly class UniverseExit
{
    /**
     * @param list<Destination> $destinations
     * @param string $sync packet that follows the frames of one moment; '' for none. One with a counter has it at $syncCounterAt
     * @param list<Destination> $syncDestinations
     * @param int|null $syncCounterAt byte of the packet that counts up, from 0
     */
    public function __construct(
        public string $key,
        public string $portId,
        public string $universeId,
        public string $words,
        public FrameSender $sender,
        public array $destinations,
        public Cadence $cadence,
        public string $sync = '',
        public array $syncDestinations = [],
        public ?int $syncCounterAt = null,
    ) {
    }
}
