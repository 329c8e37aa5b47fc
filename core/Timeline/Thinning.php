<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/**
 * A line of many points is told by fewer of them, none of it farther away than a tolerance.
 *
 * Each point that is kept looks along a cone in which all points since lie; the last one before the cone is empty is kept
 * next: one pass, whatever the line does.
 */
final class Thinning
{
    /**
     * @param list<array{float, float}> $samples time and value, in the order of time
     * @param float $tolerance in the unit of the values; 0 keeps what lies on no straight line
     *
     * @return list<array{float, float}> some of these, always the first and the last
     */
    public static function of(array $samples, float $tolerance): array
    {
        $count = \count($samples);
        if ($count < 3) {
            return $samples;
        }
        $kept = [$samples[0]];
        $from = 0;
        [$low, $high] = [-\INF, \INF];
        for ($i = 1; $i < $count; ++$i) {
            $slope = self::slope($samples[$from], $samples[$i]);
            $isOutside = $slope === null || $slope > $high || $slope < $low;
            if ($isOutside && $i > $from + 1) {
                $from = $i - 1;
                $kept[] = $samples[$from];
                [$low, $high] = [-\INF, \INF];
                $slope = self::slope($samples[$from], $samples[$i]);
            }
            if ($slope === null && $i < $count - 1) {
                $from = $i;
                $kept[] = $samples[$i];
                [$low, $high] = [-\INF, \INF];
            } elseif ($slope !== null) {
                $time = $samples[$i][0] - $samples[$from][0];
                $low = max($low, $slope - $tolerance / $time);
                $high = min($high, $slope + $tolerance / $time);
            }
        }
        $kept[] = $samples[$count - 1];

        return $kept;
    }

    /**
     * @param list<array{float, float}> $samples
     *
     * @return float how far the farthest of them lies from a line, in the unit of the values
     */
    public static function off(array $samples, Line $line): float
    {
        $off = 0.0;
        foreach ($samples as $i => [$at, $value]) {
            // Of two at one moment the first belongs to what is before.
            if (($samples[$i + 1][0] ?? null) !== $at) {
                $off = max($off, abs($value - ($line->at($at) ?? $value)));
            }
        }

        return $off;
    }

    /**
     * @param array{float, float} $from
     * @param array{float, float} $to
     *
     * @return float|null null where it jumps
     */
    private static function slope(array $from, array $to): ?float
    {
        return $to[0] <= $from[0] ? null : ($to[1] - $from[1]) / ($to[0] - $from[0]);
    }
}
