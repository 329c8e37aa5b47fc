<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

/** A note's name; the number always stands beside it, as the octave depends on the maker. */
final class Pitch
{
    private const NAMES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];

    /**
     * @param int $note 0 to 127
     * @param int $middleC octave number of note 60
     */
    public static function spelled(int $note, int $middleC): string
    {
        return "note {$note} (".self::NAMES[$note % 12].(intdiv($note, 12) - 5 + $middleC).')';
    }
}
