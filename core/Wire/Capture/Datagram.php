<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

/** One UDP datagram out of a recorded network: when, from whom, to whom, what. */
final readonly class Datagram
{
    /** @param int $at nanoseconds since 1970, as the capture has it */
    public function __construct(
        public int $at,
        public string $source,
        public int $sourcePort,
        public string $destination,
        public int $destinationPort,
        public string $payload,
    ) {
    }
}
