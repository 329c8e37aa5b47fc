<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** One datagram that is to leave now. */
final readonly class OutgoingPacket
{
    /**
     * @param string $via local end to leave from: an endpoint's key, or "address:0" for any free port
     * @param string $portId the port of the show that it leaves through; '' for an answer
     * @param list<int> $addressAt where in the bytes our own address belongs, as the one that it goes to sees us: known only where it leaves
     */
    public function __construct(
        public string $via,
        public string $address,
        public int $port,
        public string $bytes,
        public string $portId = '',
        public array $addressAt = [],
    ) {
    }
}
