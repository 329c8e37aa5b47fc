<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/**
 * A value as the standard writes it: "128/1" is 128 in one byte, "32768/2" in two. In a channel of more bytes its bytes are
 * repeated ("255/1" is 65535), with an s after it they are moved up ("255/1s" is 65280).
 *
 * Source: DIN SPEC 15800, type DMXValue (from memory).
 */
final class DmxValue
{
    /** @return int|null in as many bytes; null where nothing sound is written */
    public static function read(string $text, int $bytes): ?int
    {
        if (preg_match('~^\s*(\d{1,10})(?:/([1-4])(s?))?\s*$~D', $text, $found) !== 1) {
            return null;
        }
        $has = (int) ($found[2] ?? 1) ?: 1;
        $value = min((int) $found[1], 256 ** $has - 1);
        if ($has >= $bytes) {
            return $value >> 8 * ($has - $bytes);
        }
        if (($found[3] ?? '') === 's') {
            return $value << 8 * ($bytes - $has);
        }
        $repeated = '';
        $own = str_pad(dechex($value), 2 * $has, '0', \STR_PAD_LEFT);
        while (\strlen($repeated) < 2 * $bytes) {
            $repeated .= $own;
        }

        return (int) hexdec(substr($repeated, 0, 2 * $bytes));
    }

    public static function write(int $value, int $bytes): string
    {
        return "{$value}/{$bytes}";
    }
}
