<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

/**
 * Why a curve looks as it does: how often a value arrived, how often it
 * changed, in steps of what size, and how evenly. A smooth wave that arrives
 * as steps shows a rate or precision fault upstream.
 */
final readonly class Analysis
{
    /** How far back is looked: long enough for a value that changes once a second. */
    public const NANOS = 10_000_000_000;

    /** What still counts as changing with every arrival. */
    private const MOSTLY = 0.8;

    /**
     * @param float $arrivals a second
     * @param float $changes a second, while it changes
     * @param float $step median size of a change
     * @param float $everyMillis median time between changes
     * @param float $jitterMillis mean difference of those times from their median
     */
    private function __construct(
        public float $arrivals,
        public float $changes,
        public float $step,
        public float $everyMillis,
        public float $jitterMillis,
        public string $words,
    ) {
    }

    /** @param list<array{int, float}> $points time and value, oldest first */
    public static function of(array $points, int $now): self
    {
        $count = \count($points);
        if ($count < 2) {
            return new self(
                0.0,
                0.0,
                0.0,
                0.0,
                0.0,
                $count === 0 ? 'Nothing has arrived here in the last ten seconds.' : 'It arrived once in the last ten seconds.',
            );
        }
        $span = ($points[$count - 1][0] - $points[0][0]) / 1e9;
        $arrivals = $span > 0 ? ($count - 1) / $span : 0.0;
        $intervals = $steps = [];
        $changedAt = null;
        for ($i = 1; $i < $count; ++$i) {
            $step = abs($points[$i][1] - $points[$i - 1][1]);
            if ($step > 0) {
                $steps[] = $step;
                if ($changedAt !== null) {
                    $intervals[] = ($points[$i][0] - $changedAt) / 1e6;
                }
                $changedAt = $points[$i][0];
            }
        }
        $often = self::number($arrivals);
        if ($intervals === [] || $steps === []) {
            return new self(
                $arrivals,
                0.0,
                0.0,
                0.0,
                0.0,
                ($steps === [] ? 'Steady' : 'It changed once')." at {$points[$count - 1][1]}: it arrives {$often} times a second.",
            );
        }
        $every = self::median($intervals);
        $jitter = array_sum(array_map(static fn(float $one): float => abs($one - $every), $intervals)) / \count($intervals);
        $step = self::median($steps);
        $changes = $every > 0 ? 1000 / $every : 0.0;
        $steady = $jitter < max(4.0, $every * 0.15) ? 'evenly' : 'unevenly';
        $how = "{$steady} (± ".self::number($jitter).' ms)';
        $words = $changes >= $arrivals * self::MOSTLY
            ? 'It changes nearly every time it arrives, '.self::number($changes)." times a second, {$how}, in steps of ".self::number($step)
                .'.'
            : 'Steps of '.self::number($step).' every '.self::number($every).' ms: the sender updates this '.self::number($changes)
                ." times a second, {$how}, though it arrives {$often} times a second.";

        return new self($arrivals, $changes, $step, $every, $jitter, $words);
    }

    /** @param non-empty-list<float> $numbers */
    private static function median(array $numbers): float
    {
        sort($numbers);
        $middle = intdiv(\count($numbers), 2);

        return \count($numbers) % 2 === 1 ? $numbers[$middle] : ($numbers[$middle - 1] + $numbers[$middle]) / 2;
    }

    private static function number(float $number): string
    {
        return (string) ($number < 1 ? round($number, 3) : ($number < 10 ? round($number, 1) : round($number)));
    }
}
