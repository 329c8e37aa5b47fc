<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

/** Times small things: the best of several rounds, since what disturbs a round only ever makes it slower. */
final class Stopwatch
{
    private const ROUNDS = 7;

    /** @return float nanoseconds of one call */
    public static function nanos(callable $work, int $calls): float
    {
        $best = \INF;
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $begin = hrtime(true);
            for ($call = 0; $call < $calls; ++$call) {
                $work($call);
            }
            $best = min($best, (hrtime(true) - $begin) / $calls);
        }

        return $best;
    }

    /** @param list<float> $values */
    public static function percentile(array $values, float $part): float
    {
        sort($values);

        return $values === [] ? \NAN : $values[(int) min(\count($values) - 1, floor($part * \count($values)))];
    }
}
