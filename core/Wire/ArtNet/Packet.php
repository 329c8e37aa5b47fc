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
    private const CLAUSE = 'Art-Net 4, packet header';

    /** @throws Malformed */
    public static function decode(string $bytes): Dmx|Poll|PollReply|Sync|Unhandled
    {
        $length = \strlen($bytes);
        if ($length < 10) {
            throw Malformed::tooShort('An Art-Net header', 10, $length, self::CLAUSE);
        }
        if (! str_starts_with($bytes, self::ID)) {
            throw Malformed::at(0, 'does not begin with "Art-Net" and a zero byte', self::CLAUSE);
        }
        $number = \ord($bytes[8]) | \ord($bytes[9]) << 8;
        $code = OpCode::tryFrom($number);
        if ($code === null) {
            throw Malformed::at(8, \sprintf('operation code 0x%04X is not one of Art-Net 4', $number), self::CLAUSE);
        }
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
            OpCode::Sync => new Sync(),
            default => new Unhandled($code),
        };
    }

    public static function header(OpCode $code): string
    {
        return self::ID.pack('vn', $code->value, self::VERSION);
    }
}
