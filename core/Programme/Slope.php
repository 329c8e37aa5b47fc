<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** A lane's way from one value to another, in whole steps. */
final class Slope
{
    /** @return int nanoseconds after its beginning at which a lane that gives $value gives another one, or is there */
    public static function nextAt(int $value, int $from, float $goal, int $nanos): int
    {
        if ($goal === (float) $from) {
            return $nanos;
        }
        $next = $goal > $from ? $value + 0.5 : $value - 0.5;

        return (int) min($nanos, ($next - $from) / ($goal - $from) * $nanos);
    }
}
