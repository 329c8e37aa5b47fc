<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** OSC-string: text, a zero byte, and up to three more so that the whole is a multiple of four (OSC 1.0, Atomic Data Types). */
final class Padded
{
    private const CLAUSE = 'OSC 1.0, Atomic Data Types';

    public static function write(string $text): string
    {
        $text = str_replace("\0", '', $text);

        return $text.str_repeat("\0", 4 - \strlen($text) % 4);
    }

    /**
     * @param int $offset moved behind the string and its padding
     * @param int $base where the message begins in its packet, for refusals
     *
     * @throws Malformed
     */
    public static function read(string $bytes, int &$offset, string $what, int $base = 0): string
    {
        $end = $offset < \strlen($bytes) ? strpos($bytes, "\0", $offset) : false;
        if ($end === false) {
            throw Malformed::at($base + $offset, "{$what} has no closing zero byte", self::CLAUSE);
        }
        $text = substr($bytes, $offset, $end - $offset);
        $next = $offset + intdiv(\strlen($text), 4) * 4 + 4;
        if ($next > \strlen($bytes)) {
            throw Malformed::at($base + $end, "{$what} is not padded to four bytes", self::CLAUSE);
        }
        $offset = $next;

        return $text;
    }
}
