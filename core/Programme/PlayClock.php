<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** The time of one playback: it runs at a rate of its own, and may stand. In nanoseconds. */
final class PlayClock
{
    private int $anchor = 0;
    private float $at = 0.0;

    public function __construct(private float $rate = 1.0)
    {
    }

    public function at(int $now): int
    {
        return (int) ($this->at + ($now - $this->anchor) * $this->rate);
    }

    /** @param float $rate 0 to stand */
    public function run(float $rate, int $now): void
    {
        $this->at = (float) $this->at($now);
        $this->anchor = $now;
        $this->rate = $rate;
    }

    public function rate(): float
    {
        return $this->rate;
    }

    /** @return int when it will be so late, on the junction's clock; PHP_INT_MAX while it stands */
    public function when(int $at): int
    {
        return $this->rate <= 0.0 ? \PHP_INT_MAX : $this->anchor + (int) ceil(($at - $this->at) / $this->rate);
    }
}
