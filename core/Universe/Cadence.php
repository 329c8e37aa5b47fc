<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\DmxLine\Line;

/** When an output sends: at once on a change, never faster than it may, and again when nothing changes. */
final readonly class Cadence
{
    /**
     * All in nanoseconds.
     *
     * @param int $gap shortest time between two frames
     * @param int $repeats how often a change is sent again at that gap
     * @param int $idle time between frames when nothing changes
     */
    private function __construct(public int $gap, public int $repeats, public int $idle)
    {
    }

    /**
     * @param int $perSecond most frames a second, 1 to 44
     * @param bool $isFull what does not change is sent as often as what does
     */
    public static function of(Protocol $protocol, int $perSecond = 44, bool $isFull = false): self
    {
        $gap = max(Line::refreshMicros(512) * 1000, intdiv(1_000_000_000, $perSecond));

        if ($isFull) {
            return new self($gap, 0, $gap);
        }

        return match ($protocol) {
            // ANSI E1.31-2018, 6.6.1: three packets with the same data, then one each 800 to 1000 ms
            Protocol::Sacn => new self($gap, 3, 900_000_000),
            // Art-Net 4, "ArtDmx": unchanged data again after 800 ms to 4 s (from memory); we use 1 s
            Protocol::ArtNet => new self($gap, 0, 1_000_000_000),
            // ANSI E1.11: a line is refreshed all the time
            default => new self($gap, 0, $gap),
        };
    }

    /** What a receiver gets, in words. */
    public function words(): string
    {
        $most = (int) floor(1e9 / $this->gap);
        if ($this->idle === $this->gap) {
            return "{$most} frames a second, whether levels change or not";
        }
        $idle = rtrim(rtrim(number_format($this->idle / 1e9, 1, '.', ''), '0'), '.');
        $often = $this->repeats > 1 ? "{$this->repeats} times, then " : '';

        return "at most {$most} frames a second; unchanged levels {$often}every {$idle} s";
    }
}
