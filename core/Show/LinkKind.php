<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Signal\Protocol;

/** Over what a port reaches its other end. The value is the word in the show document. */
enum LinkKind: string
{
    case Udp = 'udp';
    case Tcp = 'tcp';

    /** A device plugged into a computer whose browser has a page of ours open. */
    case Browser = 'browser';

    /** A network MIDI session (RTP-MIDI, RFC 6295). */
    case Session = 'session';

    /** A raw character device or FIFO of this machine. */
    case Device = 'device';

    /** A cable between programs of this machine: a Unix socket that MIDI bytes go through. */
    case Cable = 'cable';

    /** A serial interface with an RS-485 driver behind it. */
    case Serial = 'serial';

    /** @return non-empty-list<self> what a port of this protocol may go over, the usual one first */
    public static function of(Protocol $protocol): array
    {
        return match ($protocol) {
            Protocol::ArtNet, Protocol::Sacn => [self::Udp],
            Protocol::Osc => [self::Udp, self::Tcp],
            Protocol::DmxLine => [self::Udp, self::Serial],
            Protocol::Midi => [self::Browser, self::Session, self::Device, self::Cable],
            Protocol::GameController => [self::Browser],
        };
    }

    /** Whether it is named by a device (a path, a name) and not by an address. */
    public function hasDevice(): bool
    {
        return match ($this) {
            self::Browser, self::Device, self::Cable, self::Serial => true,
            default => false,
        };
    }
}
