<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\OutOfRange;

/** Messages for the whole system (MIDI 1.0, "System Common Messages"). Each ends running status. */
final readonly class SystemCommon implements MidiMessage
{
    public const QUARTER_FRAME = 0xF1;
    public const SONG_POSITION = 0xF2;
    public const SONG_SELECT = 0xF3;
    public const TUNE_REQUEST = 0xF6;

    /** @param int $value 7 bits; 14 of a song position, in sixteenths from the beginning; 0 of a tune request */
    public function __construct(public int $status, public int $value = 0)
    {
    }

    /** @param int $sixteenths MIDI beats of six clocks each */
    public static function songPosition(int $sixteenths): self
    {
        return new self(self::SONG_POSITION, OutOfRange::check('Song position', $sixteenths, 0, 16383));
    }

    public static function songSelect(int $song): self
    {
        return new self(self::SONG_SELECT, OutOfRange::check('Song', $song, 0, 127));
    }

    /**
     * @param int $piece 0 to 7
     * @param int $nibble 0 to 15
     */
    public static function quarterFrame(int $piece, int $nibble): self
    {
        return new self(self::QUARTER_FRAME, $piece << 4 | $nibble);
    }

    public function encode(): string
    {
        return match ($this->status) {
            self::TUNE_REQUEST => "\xF6",
            self::SONG_POSITION => "\xF2".\chr($this->value & 127).\chr($this->value >> 7),
            default => \chr($this->status).\chr($this->value & 127),
        };
    }
}
