<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/** Delta times: seven bits a byte, high ones first, the top bit set in all but the last; one to four bytes (RFC 6295, 3.1). */
final class Delta
{
    public const HIGHEST = 0x0FFFFFFF;

    /**
     * @param int $offset moved behind it
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int &$offset, int $end): int
    {
        $value = 0;
        for ($i = 0; $i < 4; ++$i) {
            if ($offset >= $end) {
                throw Malformed::at($offset, 'a delta time is cut off', 'RFC 6295, 3.1');
            }
            $byte = \ord($bytes[$offset++]);
            $value = $value << 7 | $byte & 0x7F;
            if ($byte < 0x80) {
                return $value;
            }
        }

        throw Malformed::at($offset - 4, 'a delta time is longer than four bytes', 'RFC 6295, 3.1');
    }

    public static function write(int $value): string
    {
        OutOfRange::check('Delta time', $value, 0, self::HIGHEST);
        $bytes = \chr($value & 0x7F);
        while (($value >>= 7) > 0) {
            $bytes = \chr($value & 0x7F | 0x80).$bytes;
        }

        return $bytes;
    }
}
