<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

/** A note's name; the number always stands beside it, as the octave depends on the maker. */
final class Pitch
{
    private const NAMES = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
    private const FLATS = ['Db' => 'C#', 'Eb' => 'D#', 'Gb' => 'F#', 'Ab' => 'G#', 'Bb' => 'A#'];

    /**
     * @param int $note 0 to 127
     * @param int $middleC octave number of note 60
     */
    public static function spelled(int $note, int $middleC): string
    {
        return "note {$note} (".self::name($note, $middleC).')';
    }

    /** @return string its name alone, like C#3 */
    public static function name(int $note, int $middleC): string
    {
        return self::NAMES[$note % 12].(intdiv($note, 12) - 5 + $middleC);
    }

    /** @return int|null 0 to 127; null for no name of a note */
    public static function read(string $text, int $middleC): ?int
    {
        if (preg_match('/^([A-Ga-g])([#b]?)\s*(-?\d{1,2})$/D', trim($text), $found) !== 1) {
            return null;
        }
        $name = strtoupper($found[1]).$found[2];
        $place = array_search(self::FLATS[$name] ?? $name, self::NAMES, true);
        $note = $place === false ? -1 : ((int) $found[3] + 5 - $middleC) * 12 + $place;

        return $note >= 0 && $note <= 127 ? $note : null;
    }
}
