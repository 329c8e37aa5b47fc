<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * How evenly the packets of a session come: the mean of how much later or sooner each came than the one before, by their
 * own time stamps.
 *
 * Source: RFC 3550, 6.4.1 and A.8.
 */
final class Arrival
{
    private const TICK_NANOS = 100_000;
    private ?int $transit = null;
    private float $jitter = 0.0;

    /** @param int $timestamp 32 bits, ticks of 100 µs */
    public function packet(int $timestamp, int $now): void
    {
        $transit = (intdiv($now, self::TICK_NANOS) - $timestamp) & 0xFFFFFFFF;
        if ($this->transit !== null) {
            $apart = ($transit - $this->transit) & 0xFFFFFFFF;
            $apart = min($apart, 0x100000000 - $apart);
            $this->jitter += ($apart - $this->jitter) / 16.0;
        }
        $this->transit = $transit;
    }

    /** @return float milliseconds */
    public function jitter(): float
    {
        return $this->jitter / 10.0;
    }
}
