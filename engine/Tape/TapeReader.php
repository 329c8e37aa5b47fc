<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\Pcapng;

/** The blocks of a capture file of ours, one after the other: a file of an hour is not held in memory. */
final class TapeReader
{
    /** No block of ours is longer; a longer one is the end of what can be read. */
    private const LONGEST = 1_000_000;

    /** @return iterable<string> blocks as they stand */
    public static function blocks(string $path): iterable
    {
        $file = @fopen($path, 'rb');
        if ($file === false) {
            return;
        }
        try {
            while (($head = (string) fread($file, 8)) !== '') {
                $read = \strlen($head) === 8 ? unpack('V', $head, 4) : false;
                $size = \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
                if ($size < 12 || $size > self::LONGEST) {
                    return;
                }
                $rest = (string) fread($file, $size - 8);
                if (\strlen($rest) !== $size - 8) {
                    // Cut off, as by a power cut: what is there is played.
                    return;
                }
                yield $head.$rest;
            }
        } finally {
            fclose($file);
        }
    }

    /** @return iterable<array{string, Frame}> interface and packet */
    public static function frames(string $path): iterable
    {
        return Pcapng::framesOf(self::blocks($path));
    }
}
