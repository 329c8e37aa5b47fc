<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** By beats of the timeline's own tempo map. */
final readonly class MapPace implements Pace
{
    private SecondsPace $seconds;

    public function __construct(private TempoMap $map)
    {
        $this->seconds = new SecondsPace();
    }

    public function at(int $now): float
    {
        return $this->map->beatAt($this->seconds->at($now));
    }

    public function when(float $at): int
    {
        return $this->seconds->when($this->map->secondsAt($at));
    }

    public function place(float $at, int $now): void
    {
        $this->seconds->place($this->map->secondsAt($at), $now);
    }

    public function run(float $rate, int $now): void
    {
        $this->seconds->run($rate, $now);
    }

    public function nanos(float $from, float $to): int
    {
        return $this->seconds->nanos($this->map->secondsAt($from), $this->map->secondsAt($to));
    }

    public function later(float $at, int $nanos): float
    {
        return $this->map->beatAt($this->seconds->later($this->map->secondsAt($at), $nanos));
    }
}
