<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

use NimbleJunction\Core\Wire\Malformed;

/** What a tick is: a part of a quarter note, or a part of a SMPTE frame (Standard MIDI Files 1.0, "Header Chunks"). */
final readonly class Division
{
    /**
     * @param int $ticks a quarter note, 1 to 32767; a frame, 1 to 255, where there are frames
     * @param int|null $framesPerSecond 24, 25, 29 (29.97 drop frame) or 30; null where ticks follow the tempo
     */
    private function __construct(public int $ticks, public ?int $framesPerSecond)
    {
    }

    /** @param int $ticks 1 to 32767 */
    public static function perQuarter(int $ticks): self
    {
        return new self($ticks, null);
    }

    /** @param int $framesPerSecond 24, 25, 29 or 30 */
    public static function perFrame(int $framesPerSecond, int $ticks): self
    {
        return new self($ticks, $framesPerSecond);
    }

    /** @throws Malformed */
    public static function read(int $word): self
    {
        $clause = 'Standard MIDI Files 1.0, Header Chunks';
        if (($word & 0x8000) === 0) {
            return $word === 0 ? throw Malformed::outside('Division', 0, 1, 32767, 12, $clause) : new self($word, null);
        }
        $frames = 256 - ($word >> 8);
        if (! \in_array($frames, [24, 25, 29, 30], true)) {
            throw Malformed::at(12, "{$frames} frames a second is not one of 24, 25, 29 and 30", $clause);
        }

        return ($word & 255) === 0
            ? throw Malformed::outside('Ticks a frame', 0, 1, 255, 13, $clause)
            : new self($word & 255, $frames);
    }

    public function word(): int
    {
        return $this->framesPerSecond === null ? $this->ticks : 256 - $this->framesPerSecond << 8 | $this->ticks;
    }

    public function spelled(): string
    {
        return $this->framesPerSecond === null
            ? "{$this->ticks} ticks a quarter note"
            : "{$this->ticks} ticks a frame, ".($this->framesPerSecond === 29 ? '29.97 drop' : $this->framesPerSecond).' frames a second';
    }
}
