<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/**
 * Numbers in one to four bytes of seven bits, high ones first, the top bit set
 * in all but the last: delta times of RTP-MIDI (RFC 6295, 3.1) and of MIDI
 * files (Standard MIDI Files 1.0, "Variable-Length Quantities").
 */
final class VariableLength
{
    public const HIGHEST = 0x0FFFFFFF;

    /**
     * @param int $offset moved behind it
     * @param int $end the byte behind the last one that may be read
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int &$offset, int $end, string $clause): int
    {
        if ($offset < $end && \ord($bytes[$offset]) < 0x80) {
            return \ord($bytes[$offset++]);
        }
        $value = 0;
        for ($i = 0; $i < 4; ++$i) {
            if ($offset >= $end) {
                throw Malformed::at($offset, 'a number of variable length is cut off', $clause);
            }
            $byte = \ord($bytes[$offset++]);
            $value = $value << 7 | $byte & 0x7F;
            if ($byte < 0x80) {
                return $value;
            }
        }

        throw Malformed::at($offset - 4, 'a number of variable length is longer than four bytes', $clause);
    }

    public static function write(int $value): string
    {
        OutOfRange::check('Number of variable length', $value, 0, self::HIGHEST);
        $bytes = \chr($value & 0x7F);
        while (($value >>= 7) > 0) {
            $bytes = \chr($value & 0x7F | 0x80).$bytes;
        }

        return $bytes;
    }
}
