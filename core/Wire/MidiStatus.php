<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/**
 * How many data bytes follow a status byte: what every format that carries MIDI has to know (MIDI 1.0, tables 1 and
 * 2, from memory).
 */
final class MidiStatus
{
    /** @return int|null null for System Exclusive and for what MIDI 1.0 does not define */
    public static function dataBytes(int $status): ?int
    {
        if ($status >= 0x80 && $status < 0xF0) {
            return ($status & 0xE0) === 0xC0 ? 1 : 2;
        }

        return match ($status) {
            0xF1, 0xF3 => 1,
            0xF2 => 2,
            0xF6, 0xF8, 0xFA, 0xFB, 0xFC, 0xFE, 0xFF => 0,
            default => null,
        };
    }

    public static function isRealTime(int $byte): bool
    {
        return $byte >= 0xF8;
    }
}
