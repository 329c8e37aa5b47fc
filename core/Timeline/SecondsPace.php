<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** By seconds. */
final class SecondsPace implements Pace
{
    private const NANOS = 1e9;

    private float $at = 0.0;
    private int $anchor = 0;
    private float $rate = 0.0;

    public function at(int $now): float
    {
        return $this->at + ($now - $this->anchor) / self::NANOS * $this->rate;
    }

    public function when(float $at): int
    {
        return $this->rate <= 0.0 ? \PHP_INT_MAX : $this->anchor + (int) ceil(($at - $this->at) * self::NANOS / $this->rate);
    }

    public function place(float $at, int $now): void
    {
        $this->at = $at;
        $this->anchor = $now;
    }

    public function run(float $rate, int $now): void
    {
        $this->place($this->at($now), $now);
        $this->rate = $rate;
    }

    public function nanos(float $from, float $to): int
    {
        return (int) round(($to - $from) * self::NANOS / ($this->rate > 0.0 ? $this->rate : 1.0));
    }

    public function later(float $at, int $nanos): float
    {
        return $at + $nanos / self::NANOS * ($this->rate > 0.0 ? $this->rate : 1.0);
    }
}
