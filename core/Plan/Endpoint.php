<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\Receiver;
use NimbleJunction\Core\Show\LinkKind;

/**
 * One place where the engine meets the world, for all ports of the show that
 * share it: a local address and UDP port, a TCP listener, a device.
 */
final readonly class Endpoint
{
    /**
     * @param string $key the same for the same place and protocol
     * @param string $address one of ours, or the name of an adapter; 0.0.0.0 for all
     * @param list<string> $groups multicast groups to join
     * @param list<string> $portIds ports of the show that receive here
     * @param array<int, list<Mapping>> $mappings by the universe number on the wire
     * @param array<string, AllowList> $allowed by port, for those that do not listen to everybody
     * @param string $device path or name, where its kind has one
     * @param list<Destination> $peers other ends that we call ourselves (TCP, MIDI sessions)
     * @param string $name what we call ourselves there
     */
    public function __construct(
        public string $key,
        public LinkKind $kind,
        public string $address,
        public int $port,
        public Receiver $receiver,
        public array $portIds = [],
        public array $mappings = [],
        public array $groups = [],
        public array $allowed = [],
        public string $device = '',
        public string $framing = '',
        public array $peers = [],
        public string $name = '',
    ) {
    }

    /** Where it is, for people. */
    public function spelled(): string
    {
        return $this->device !== '' ? $this->device : "{$this->address}:{$this->port}";
    }
}
