<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * A time in five bytes, as show control and machine control write it: hours
 * with the rate in bits 5 and 6, minutes, seconds, frames, hundredths of a frame.
 *
 * Source: MIDI Show Control 1.1 and MIDI Machine Control 1.0, "Standard Time Code" (from memory).
 */
final readonly class StandardTime
{
    public function __construct(
        public int $hours = 0,
        public int $minutes = 0,
        public int $seconds = 0,
        public int $frames = 0,
        public int $fractions = 0,
        public FrameRate $rate = FrameRate::Smpte,
    ) {
    }

    /** As a length of time, in seconds: frames are counted as its rate counts them. */
    public function seconds(): float
    {
        return 3600 * $this->hours + 60 * $this->minutes + $this->seconds + ($this->frames + $this->fractions / 100) / $this->rate->counted();
    }

    /**
     * @param string $five at least five bytes of seven bits
     * @param int $offset where they stand in their message
     *
     * @throws Malformed
     */
    public static function read(string $five, int $offset): self
    {
        if (\strlen($five) < 5) {
            throw Malformed::at(
                $offset + \strlen($five),
                'a time takes five bytes: hr mn sc fr ff',
                'MIDI Show Control 1.1, Standard Time Code',
            );
        }
        $hours = \ord($five[0]) & 31;
        $rate = FrameRate::from(\ord($five[0]) >> 5 & 3);
        $limits = [
            ['hours', $hours, 23],
            ['minutes', \ord($five[1]) & 63, 59],
            ['seconds', \ord($five[2]) & 63, 59],
            ['frames', \ord($five[3]) & 31, $rate->counted() - 1],
            ['hundredths of a frame', \ord($five[4]), 99],
        ];
        foreach ($limits as $i => [$name, $value, $highest]) {
            if ($value > $highest) {
                throw Malformed::outside($name, $value, 0, $highest, $offset + $i, 'MIDI Show Control 1.1, Standard Time Code');
            }
        }

        return new self($hours, \ord($five[1]) & 63, \ord($five[2]) & 63, \ord($five[3]) & 31, \ord($five[4]), $rate);
    }

    public function encode(): string
    {
        return \chr(OutOfRange::check('Hours', $this->hours, 0, 23) | $this->rate->value << 5)
            .\chr(OutOfRange::check('Minutes', $this->minutes, 0, 59))
            .\chr(OutOfRange::check('Seconds', $this->seconds, 0, 59))
            .\chr(OutOfRange::check('Frames', $this->frames, 0, $this->rate->counted() - 1))
            .\chr(OutOfRange::check('Hundredths of a frame', $this->fractions, 0, 99));
    }

    public function spelled(): string
    {
        return \sprintf(
            '%02d:%02d:%02d:%02d.%02d',
            $this->hours,
            $this->minutes,
            $this->seconds,
            $this->frames,
            $this->fractions,
        );
    }
}
