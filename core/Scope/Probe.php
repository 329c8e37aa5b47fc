<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

/** What one value did over the last minute: each time that it arrived, whether it changed or not. */
final class Probe
{
    public const NANOS = 60_000_000_000;
    private const MOST_POINTS = 6000;

    /** @var array<int, array{int, float}> time and value, by number, oldest first */
    private array $points = [];
    private int $number = 0;
    private int $first = 0;

    /** When somebody last looked: a probe that nobody looks at is taken away. */
    public int $askedAt;

    public function __construct(public readonly Subject $subject, int $now)
    {
        $this->askedAt = $now;
    }

    public function arrived(float $value, int $now): void
    {
        $this->points[$this->number++] = [$now, $value];
        while (
            $this->first < $this->number
            && ($this->points[$this->first][0] < $now - self::NANOS || $this->number - $this->first > self::MOST_POINTS)
        ) {
            unset($this->points[$this->first++]);
        }
    }

    /**
     * @param int $since number of the first point wanted
     *
     * @return array<int, array{int, float}> by number
     */
    public function since(int $since): array
    {
        return $since <= $this->first ? $this->points : \array_slice($this->points, $since - $this->first, null, true);
    }

    /** The number that the next point will have. */
    public function next(): int
    {
        return $this->number;
    }

    public function analysis(int $now): Analysis
    {
        return Analysis::of(
            array_values(array_filter($this->points, static fn(array $point): bool => $point[0] >= $now - Analysis::NANOS)),
            $now,
        );
    }
}
