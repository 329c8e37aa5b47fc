<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Spelling;
use NimbleJunction\Core\Wire\Malformed;

/**
 * The root layer that every sACN packet stands in (ANSI E1.31-2018, clause 5):
 *
 *    0 preamble size 0x0010      2 postamble size 0
 *    4 "ASC-E1.17" and 3 zeros  16 flags 0x7 and a 12-bit length from here on
 *   18 vector: 4 data, 8 extended
 *   22 CID, 16 bytes: the sender, for ever
 */
final class Packet
{
    public const UDP_PORT = 5568;
    public const PREAMBLE = "\x00\x10\x00\x00ASC-E1.17\0\0\0";
    private const CLAUSE = 'ANSI E1.31-2018, 5';

    /** @throws Malformed */
    public static function decode(string $bytes): Data|Synchronization|Discovery|Unhandled
    {
        $length = \strlen($bytes);
        if ($length < 42) {
            throw Malformed::tooShort('An sACN root layer', 42, $length, self::CLAUSE);
        }
        if (! str_starts_with($bytes, self::PREAMBLE)) {
            throw Malformed::at(0, 'preamble, postamble or "ASC-E1.17" is not as required', self::CLAUSE);
        }
        self::checkLength($bytes, 16, $length);
        $vector = \ord($bytes[18]) << 24 | \ord($bytes[19]) << 16 | \ord($bytes[20]) << 8 | \ord($bytes[21]);
        if ($vector === 4) {
            return Data::decode($bytes);
        }
        if ($vector === 8) {
            return self::decodeExtended($bytes);
        }

        throw Malformed::at(18, "root vector {$vector} is neither 4 (data) nor 8 (extended)", 'ANSI E1.31-2018, 5.5');
    }

    /** @throws Malformed */
    private static function decodeExtended(string $bytes): Synchronization|Discovery|Unhandled
    {
        if (\strlen($bytes) < 44) {
            throw Malformed::tooShort('An extended sACN packet', 44, \strlen($bytes), 'ANSI E1.31-2018, 6');
        }
        $vector = (int) hexdec(bin2hex(substr($bytes, 40, 4)));

        return match ($vector) {
            1 => Synchronization::decode($bytes),
            2 => Discovery::decode($bytes),
            default => new Unhandled(substr($bytes, 22, 16), $vector),
        };
    }

    /**
     * The root layer as the first fields of a layout.
     *
     * @param int $length that is written where none is given
     *
     * @return list<Field>
     */
    public static function root(int $length, int $vector): array
    {
        return [
            Field::number('Preamble Size', 2, 0x10),
            Field::number('Post-amble Size', 2),
            Field::fixed('ACN Packet Identifier', "ASC-E1.17\0\0\0"),
            Field::number('Root Layer Flags and Length', 2, 0x7000 | $length)->meaning(
                static fn(int $field): string => ($field & 0xFFF).' bytes from here on',
            ),
            Field::number('Root Layer Vector', 4, $vector),
            Field::bytes('CID', 16)->saying(Spelling::uuid(...)),
        ];
    }

    /**
     * Flags are 0x7, the length counts from the flags to the end of the packet.
     *
     * @throws Malformed
     */
    public static function checkLength(string $bytes, int $offset, int $end): void
    {
        $field = \ord($bytes[$offset]) << 8 | \ord($bytes[$offset + 1]);
        if ($field >> 12 !== 7) {
            throw Malformed::at($offset, 'flags are '.($field >> 12).', 7 is required', 'ANSI E1.31-2018, 5.4');
        }
        $length = $field & 0xFFF;
        if ($length !== $end - $offset) {
            throw Malformed::at(
                $offset,
                "length says {$length} bytes, ".($end - $offset).' are there',
                'ANSI E1.31-2018, 5.4',
            );
        }
    }
}
