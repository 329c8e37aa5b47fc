<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/**
 * The tempo of a clock of 24 ticks a beat, its jitter filtered: a straight line through the last ticks, by least squares.
 * Its slope is the length of a tick, its end where the beat is.
 */
final class ClockTempo
{
    public const TICKS = 24;

    /** So many ticks are looked at: four beats. */
    private const MOST = 96;

    /** Before so many nothing is said. */
    private const FEWEST = 12;

    /** A clock that has been silent for so long is lost. */
    public const LOST_NANOS = 500_000_000;

    /** @var list<int> when the last ticks came */
    private array $at = [];

    /** How many ticks there were before the first of these. */
    private int $before = 0;

    public function tick(int $now): void
    {
        $last = $this->lastAt();
        if ($last !== null && $now - $last > self::LOST_NANOS) {
            $this->at = [];
        }
        $this->at[] = $now;
        if (\count($this->at) > self::MOST) {
            array_shift($this->at);
            ++$this->before;
        }
    }

    /** The next tick is the first of a beat: the sequencer starts. */
    public function start(): void
    {
        $this->before = -\count($this->at);
    }

    public function lastAt(): ?int
    {
        return $this->at === [] ? null : $this->at[\count($this->at) - 1];
    }

    public function isAlive(int $now): bool
    {
        $last = $this->lastAt();

        return $last !== null && $now - $last <= self::LOST_NANOS && \count($this->at) >= self::FEWEST;
    }

    /** @return array{float, float} beats a minute, and the beat at the last tick, filtered; ask only while it is alive */
    public function line(): array
    {
        $count = \count($this->at);
        $origin = $this->at[0];
        $meanTick = ($count - 1) / 2;
        $meanTime = 0.0;
        foreach ($this->at as $at) {
            $meanTime += ($at - $origin) / $count;
        }
        $over = $under = 0.0;
        foreach ($this->at as $i => $at) {
            $over += ($i - $meanTick) * ($at - $origin - $meanTime);
            $under += ($i - $meanTick) ** 2;
        }
        $nanosATick = $under > 0.0 ? $over / $under : 0.0;
        if ($nanosATick <= 0.0) {
            return [0.0, 0.0];
        }
        $expected = $meanTime + ($count - 1 - $meanTick) * $nanosATick;
        $late = ($this->at[$count - 1] - $origin - $expected) / $nanosATick;

        return [60e9 / ($nanosATick * self::TICKS), ($this->before + $count - 1 + $late) / self::TICKS];
    }
}
