<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/**
 * A time of day in frames. Drop frame leaves out the numbers of frames 0 and 1
 * of each minute that is not a multiple of ten, so that the count keeps up
 * with a clock that runs at 29.97.
 *
 * Source: SMPTE ST 12-1 (from memory).
 */
final readonly class TimeCode
{
    private function __construct(
        public FrameRate $rate,
        public int $hours,
        public int $minutes,
        public int $seconds,
        public int $frames,
    ) {
    }

    /** @throws OutOfRange a time that this rate does not have */
    public static function of(FrameRate $rate, int $hours, int $minutes, int $seconds, int $frames): self
    {
        OutOfRange::check('Hour', $hours, 0, 23);
        OutOfRange::check('Minute', $minutes, 0, 59);
        OutOfRange::check('Second', $seconds, 0, 59);
        OutOfRange::check("Frame at {$rate->spelled()} frames a second", $frames, 0, $rate->counted() - 1);
        if ($rate === FrameRate::DropFrame && $frames < 2 && $seconds === 0 && $minutes % 10 !== 0) {
            throw OutOfRange::dropped($minutes, $frames);
        }

        return new self($rate, $hours, $minutes, $seconds, $frames);
    }

    /** @param int $count frames since midnight; a day later it is midnight again */
    public static function fromFrames(FrameRate $rate, int $count): self
    {
        $day = self::framesADay($rate);
        $count = ($count % $day + $day) % $day;
        if ($rate === FrameRate::DropFrame) {
            $tens = intdiv($count, 17982);
            $rest = $count % 17982;
            $count += 18 * $tens + ($rest < 2 ? 0 : 2 * intdiv($rest - 2, 1798));
        }
        $second = $rate->counted();

        return new self(
            $rate,
            intdiv($count, 3600 * $second),
            intdiv($count, 60 * $second) % 60,
            intdiv($count, $second) % 60,
            $count % $second,
        );
    }

    /** Frames since midnight. */
    public function toFrames(): int
    {
        $minutes = 60 * $this->hours + $this->minutes;
        $count = (60 * $minutes + $this->seconds) * $this->rate->counted() + $this->frames;

        return $this->rate === FrameRate::DropFrame ? $count - 2 * ($minutes - intdiv($minutes, 10)) : $count;
    }

    /** @param int $frames may be negative */
    public function plus(int $frames): self
    {
        return self::fromFrames($this->rate, $this->toFrames() + $frames);
    }

    /** How many frames forwards it is to another time of the same rate; past midnight where that is earlier. */
    public function framesUntil(self $other): int
    {
        $day = self::framesADay($this->rate);

        return ($other->toFrames() - $this->toFrames() + $day) % $day;
    }

    /** Nanoseconds since midnight of a clock that this time code keeps up with, rounded down. */
    public function toNanos(): int
    {
        [$frames, $seconds] = $this->rate->exact();

        return intdiv($this->toFrames() * $seconds * 1_000_000_000, $frames);
    }

    public static function fromNanos(FrameRate $rate, int $nanos): self
    {
        [$frames, $seconds] = $rate->exact();

        // Whole seconds first: the product of a day in nanoseconds and 30000 does not fit.
        $whole = intdiv($nanos, 1_000_000_000 * $seconds);
        $rest = $nanos - $whole * 1_000_000_000 * $seconds;

        return self::fromFrames($rate, $whole * $frames + intdiv($rest * $frames, 1_000_000_000 * $seconds));
    }

    /** hh:mm:ss:ff, with a semicolon in front of the frames for drop frame. */
    public function spelled(): string
    {
        return \sprintf(
            '%02d:%02d:%02d%s%02d',
            $this->hours,
            $this->minutes,
            $this->seconds,
            $this->rate === FrameRate::DropFrame ? ';' : ':',
            $this->frames,
        );
    }

    /** Frames from one midnight to the next: of drop frame a day is 86 ms shorter than by the clock (SMPTE ST 12-1, from memory). */
    public static function framesADay(FrameRate $rate): int
    {
        return $rate === FrameRate::DropFrame ? 24 * 107892 : 86400 * $rate->counted();
    }
}
