<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Discovery;

/** Something that is offered on the network by name (DNS-SD, RFC 6763). */
final readonly class Service
{
    /** Sessions of network MIDI, and OSC, as both are named on networks (common practice, no source). */
    public const MIDI_SESSION = '_apple-midi._udp';
    public const OSC_UDP = '_osc._udp';
    public const OSC_TCP = '_osc._tcp';
    public const TYPES = [self::MIDI_SESSION, self::OSC_UDP, self::OSC_TCP];

    /**
     * @param string $type one of TYPES
     * @param string $address IPv4; '' where it is not known
     */
    public function __construct(public string $type, public string $name, public int $port, public string $address = '')
    {
    }

    public function protocol(): string
    {
        return $this->type === self::MIDI_SESSION ? 'midi' : 'osc';
    }
}
