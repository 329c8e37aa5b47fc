<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** Beats in time: how fast, and where. Exact; what is shown is rounded elsewhere. */
final class BeatClock
{
    public const SLOWEST = 1.0;
    public const FASTEST = 1000.0;

    private const NANOS_A_MINUTE = 60e9;

    private float $beat = 0.0;
    private int $anchor = 0;
    private bool $runs = true;

    public function __construct(private float $bpm)
    {
    }

    public function bpm(): float
    {
        return $this->bpm;
    }

    public function runs(): bool
    {
        return $this->runs;
    }

    /** @return float beats since it began, with their parts */
    public function at(int $now): float
    {
        return $this->runs ? $this->beat + ($now - $this->anchor) * $this->bpm / self::NANOS_A_MINUTE : $this->beat;
    }

    /** Another tempo from now on; the beat goes on from where it is. */
    public function setTempo(float $bpm, int $now): void
    {
        $this->beat = $this->at($now);
        $this->anchor = $now;
        $this->bpm = max(self::SLOWEST, min(self::FASTEST, $bpm));
    }

    /** It is at this beat now. */
    public function place(float $beat, int $now): void
    {
        $this->beat = $beat;
        $this->anchor = $now;
    }

    /** A beat falls on now: the nearest one. */
    public function align(int $now): void
    {
        $this->place(round($this->at($now)), $now);
    }

    public function run(bool $runs, int $now): void
    {
        $this->place($this->at($now), $now);
        $this->runs = $runs;
    }

    /** @return int when it comes to a beat, on the junction's clock; PHP_INT_MAX where it stands */
    public function when(float $beat): int
    {
        return $this->runs ? $this->anchor + (int) ceil(($beat - $this->beat) * self::NANOS_A_MINUTE / $this->bpm) : \PHP_INT_MAX;
    }
}
