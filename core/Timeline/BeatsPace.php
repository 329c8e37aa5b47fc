<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Programme\BeatClock;

/** By beats of a tempo, whatever that becomes meanwhile. */
final class BeatsPace implements Pace
{
    private float $at = 0.0;
    private float $beat = 0.0;
    private float $rate = 0.0;

    public function __construct(private readonly BeatClock $clock)
    {
    }

    public function at(int $now): float
    {
        return $this->at + ($this->clock->at($now) - $this->beat) * $this->rate;
    }

    public function when(float $at): int
    {
        return $this->rate <= 0.0 ? \PHP_INT_MAX : $this->clock->when($this->beat + ($at - $this->at) / $this->rate);
    }

    public function place(float $at, int $now): void
    {
        $this->at = $at;
        $this->beat = $this->clock->at($now);
    }

    public function run(float $rate, int $now): void
    {
        $this->place($this->at($now), $now);
        $this->rate = $rate;
    }

    public function nanos(float $from, float $to): int
    {
        return (int) round(($to - $from) * 60e9 / $this->clock->bpm() / ($this->rate > 0.0 ? $this->rate : 1.0));
    }

    public function later(float $at, int $nanos): float
    {
        return $at + $nanos * $this->clock->bpm() / 60e9 * ($this->rate > 0.0 ? $this->rate : 1.0);
    }
}
