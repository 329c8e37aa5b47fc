<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** A level over time: it begins with the first of its points, and stays where the last one is. */
final readonly class Line
{
    /** @var list<Knot> in the order of time; of those at one moment the last one counts from then on */
    public array $knots;

    /** @param list<Knot> $knots */
    public function __construct(array $knots)
    {
        $places = array_keys($knots);
        usort($places, static fn(int $a, int $b): int => $knots[$a]->at <=> $knots[$b]->at ?: $a <=> $b);
        $this->knots = array_map(static fn(int $place): Knot => $knots[$place], $places);
    }

    /** @return float INF where there is nothing */
    public function begins(): float
    {
        return $this->knots === [] ? \INF : $this->knots[0]->at;
    }

    /** @return float|null null before it begins */
    public function at(float $at): ?float
    {
        $place = $this->placeAt($at);
        if ($place < 0) {
            return null;
        }
        $from = $this->knots[$place];
        $to = $this->knots[$place + 1] ?? null;
        if ($to === null || $from->value === $to->value) {
            return $from->value;
        }
        $way = ($at - $from->at) / ($to->at - $from->at);

        return $from->value + ($to->value - $from->value) * $from->to->share($way, $from->bend);
    }

    /** @return int the place of the last point that is not later; -1 before the first */
    private function placeAt(float $at): int
    {
        $low = 0;
        $high = \count($this->knots);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->knots[$middle]->at <= $at) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low - 1;
    }
}
