<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/**
 * Taps on the beat: the average of the last ones, outliers dropped. The first of a row says where the beat is, and nothing
 * of how fast it is.
 */
final class Taps
{
    /** So many intervals are averaged. Our own choice. */
    private const MOST = 8;

    /** An interval that is further from the middle one than this, of it, does not count. Our own choice. */
    private const OUTLIER = 0.15;

    /** After so long a tap begins a new row: slower than 20 beats a minute nobody taps. */
    private const LONGEST_NANOS = 3_000_000_000;

    private ?int $lastAt = null;

    /** @var list<int> nanoseconds, the last one last */
    private array $intervals = [];

    /** @return float|null beats a minute; null for a tap that begins a row */
    public function tap(int $now): ?float
    {
        $interval = $this->lastAt === null ? self::LONGEST_NANOS + 1 : $now - $this->lastAt;
        $this->lastAt = $now;
        if ($interval <= 0 || $interval > self::LONGEST_NANOS) {
            $this->intervals = [];

            return null;
        }
        $this->intervals = \array_slice([...$this->intervals, $interval], -self::MOST);
        $kept = $this->withoutOutliers();

        return 60e9 * \count($kept) / array_sum($kept);
    }

    /** @return non-empty-list<int> */
    private function withoutOutliers(): array
    {
        $sorted = $this->intervals;
        sort($sorted);
        $middle = $sorted[intdiv(\count($sorted), 2)];
        $kept = array_values(array_filter(
            $this->intervals,
            static fn(int $one): bool => abs($one - $middle) <= self::OUTLIER * $middle,
        ));

        return $kept === [] ? [$middle] : $kept;
    }
}
