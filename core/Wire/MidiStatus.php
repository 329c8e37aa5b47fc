<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/** How many data bytes follow a status byte: what every format that carries MIDI has to know (MIDI 1.0, tables 1 and 2, from memory). */
final class MidiStatus
{
    /** @return int|null null for System Exclusive and for what MIDI 1.0 does not define */
    public static function dataBytes(int $status): ?int
    {
        return match (true) {
            $status < 0x80 => null,
            $status < 0xC0, $status >= 0xE0 && $status < 0xF0, $status === 0xF2 => 2,
            $status < 0xE0, $status === 0xF1, $status === 0xF3 => 1,
            $status === 0xF0, $status === 0xF4, $status === 0xF5, $status === 0xF7, $status === 0xF9, $status === 0xFD => null,
            default => 0,
        };
    }

    public static function isRealTime(int $byte): bool
    {
        return $byte >= 0xF8;
    }
}
