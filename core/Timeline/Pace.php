<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** How a timeline goes on while time passes: where it is at a moment, and when it comes to a place. */
interface Pace
{
    /** @return float in the timeline's unit */
    public function at(int $now): float;

    /** @return int when it comes to a place, on the junction's clock; PHP_INT_MAX while it stands */
    public function when(float $at): int;

    /** It is at this place now. */
    public function place(float $at, int $now): void;

    /** @param float $rate 1 as it is written; 0 to stand */
    public function run(float $rate, int $now): void;

    /**
     * @return int nanoseconds of the junction's clock from one place to another, as fast as it goes now; while it stands, as
     * it is written
     */
    public function nanos(float $from, float $to): int;

    /**
     * @return float the place that it comes to so many nanoseconds after another one, as fast as it goes now; before it where
     * they are below 0
     */
    public function later(float $at, int $nanos): float;
}
