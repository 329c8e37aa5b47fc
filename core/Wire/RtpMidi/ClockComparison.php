<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * What three time stamps say about two clocks: sent here, received there, and
 * received back here; the other end's stamp belongs to the middle of the way.
 * Times are ticks of 100 µs.
 */
final class ClockComparison
{
    private const TICK_NANOS = 100_000;
    private ?int $offset = null;
    private int $latency = 0;

    public static function ticks(int $nanos): int
    {
        return intdiv($nanos, self::TICK_NANOS);
    }

    public function inviting(int $sent, int $there, int $back): void
    {
        $this->latency = intdiv($back - $sent, 2);
        $this->offset = $there - intdiv($sent + $back, 2);
    }

    public function invited(int $sent, int $here, int $back): void
    {
        $this->latency = intdiv($back - $sent, 2);
        $this->offset = intdiv($sent + $back, 2) - $here;
    }

    /** Ticks that the other end's clock is ahead of ours; null before the first comparison. */
    public function offset(): ?int
    {
        return $this->offset;
    }

    /** Half of a round trip, in ticks. */
    public function latency(): int
    {
        return $this->latency;
    }
}
