<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * When the frames of one source come: how many a second, how evenly, and the
 * longest time without one in the last minute. Jitter is kept as in RFC 3550,
 * 6.4.1: a sixteenth of what each interval differs from the one before.
 */
final class Rhythm
{
    private const HALF_MINUTE = 30_000_000_000;
    private const SECOND = 1_000_000_000;

    private int $last = 0;
    private int $interval = 0;
    private float $jitter = 0.0;
    private int $longest = 0;
    private int $longestBefore = 0;
    private int $halfEnds = 0;
    private int $inSecond = 0;
    private int $perSecond = 0;
    private int $secondEnds = 0;

    public function beat(int $now): void
    {
        if ($this->last !== 0) {
            $interval = $now - $this->last;
            $this->jitter += (abs($interval - $this->interval) - $this->jitter) / 16;
            $this->interval = $interval;
            if ($interval > $this->longest) {
                $this->longest = $interval;
            }
        }
        $this->last = $now;
        ++$this->inSecond;
        if ($now >= $this->secondEnds) {
            $this->perSecond = $now - $this->secondEnds < self::SECOND ? $this->inSecond : 1;
            $this->inSecond = 0;
            $this->secondEnds = $now + self::SECOND;
            if ($now >= $this->halfEnds) {
                $this->longestBefore = $this->longest;
                $this->longest = 0;
                $this->halfEnds = $now + self::HALF_MINUTE;
            }
        }
    }

    /** Frames in the last whole second; 0 once none came for two. */
    public function rate(int $now): int
    {
        return $now - $this->last > 2 * self::SECOND ? 0 : $this->perSecond;
    }

    public function jitterMillis(): float
    {
        return $this->jitter / 1e6;
    }

    /** The longest silence of the last minute, the one that lasts now included. */
    public function longestGapMillis(int $now): float
    {
        return max($this->longest, $this->longestBefore, $this->last === 0 ? 0 : $now - $this->last) / 1e6;
    }
}
