<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Malformed;

/**
 * The frame that every Art-Net packet stands in: eight bytes "Art-Net" with a
 * closing zero, then the operation code, low byte first. All but the reply to
 * a poll go on with the protocol version, high byte first.
 */
final class Packet
{
    public const UDP_PORT = 6454;
    public const ID = "Art-Net\0";
    public const VERSION = 14;
    private const DMX_HEADER = "Art-Net\0\x00\x50\x00\x0E";
    private const CLAUSE = 'Art-Net 4, packet header';

    /** @throws Malformed */
    public static function decode(
        string $bytes,
    ): Dmx|Nzs|Poll|PollReply|Sync|TimeCode|Trigger|Command|Address|Input|IpProg|Unhandled {
        // Levels are by far the most of all packets: their whole header is one comparison.
        if (str_starts_with($bytes, self::DMX_HEADER)) {
            return Dmx::decode($bytes);
        }
        $length = \strlen($bytes);
        if ($length < 10) {
            throw Malformed::tooShort('An Art-Net header', 10, $length, self::CLAUSE);
        }
        if (! str_starts_with($bytes, self::ID)) {
            throw Malformed::at(0, 'does not begin with "Art-Net" and a zero byte', self::CLAUSE);
        }
        $code = self::code($bytes);
        if ($code === OpCode::PollReply) {
            return PollReply::decode($bytes);
        }
        if ($length < 12) {
            throw Malformed::tooShort('An Art-Net header with its version', 12, $length, self::CLAUSE);
        }
        $version = \ord($bytes[10]) << 8 | \ord($bytes[11]);
        if ($version < self::VERSION) {
            throw Malformed::at(10, "protocol version {$version} is older than 14", self::CLAUSE);
        }

        return match ($code) {
            OpCode::Dmx => Dmx::decode($bytes),
            OpCode::Poll => Poll::decode($bytes),
            OpCode::Sync => Sync::decode($bytes),
            OpCode::Nzs => Nzs::decode($bytes),
            OpCode::TimeCode => TimeCode::decode($bytes),
            OpCode::Trigger => Trigger::decode($bytes),
            OpCode::Command => Command::decode($bytes),
            OpCode::Address => Address::decode($bytes),
            OpCode::Input => Input::decode($bytes),
            OpCode::IpProg => IpProg::decode($bytes),
            default => new Unhandled($code),
        };
    }

    /** @throws Malformed */
    public static function code(string $bytes): OpCode
    {
        $number = \ord($bytes[8]) | \ord($bytes[9]) << 8;

        return OpCode::tryFrom($number) ?? throw Malformed::at(
            8,
            \sprintf('operation code 0x%04X is not one of Art-Net 4', $number),
            self::CLAUSE,
        );
    }
}
