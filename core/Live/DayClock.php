<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

/** The clock of the day, as somebody outside says it: what time it is, and when a minute of it begins. */
final class DayClock
{
    private const NANOS = 1_000_000_000;
    private const MINUTE_NANOS = 60 * self::NANOS;
    private const DAY_SECONDS = 86_400;

    /** Set back by less than this, what was told is not told again: the end of summer time, a clock that ran fast. */
    private const BACK_MINUTES = 120;

    /** When the next minute begins. */
    public int $dueAt = \PHP_INT_MAX;

    /** What the clock of the day shows when ours shows 0; null where nobody has said. */
    private ?int $ahead = null;

    /** The last minute that was told, counted through. */
    private int $told = 0;

    /**
     * @param int $unixNanos nanoseconds since 1970
     * @param \DateTimeZone $zone the one in which the house is
     */
    public function set(int $unixNanos, \DateTimeZone $zone, int $now): void
    {
        $offset = $zone->getOffset(new \DateTimeImmutable('@'.intdiv($unixNanos, self::NANOS)));
        $isFirst = $this->ahead === null;
        $this->ahead = $unixNanos + $offset * self::NANOS - $now;
        $minute = $this->minute($now);
        // The minute in which somebody says what time it is has begun before.
        if ($isFirst || $minute < $this->told - self::BACK_MINUTES) {
            $this->told = $minute;
        }
        $this->dueAt = $minute > $this->told ? $now : $this->next($now);
    }

    /** @return int|null second of the day; null where nobody has said what time it is */
    public function second(int $now): ?int
    {
        return $this->ahead === null ? null : intdiv($this->ahead + $now, self::NANOS) % self::DAY_SECONDS;
    }

    /**
     * @return string the minute that has begun, like "19:30"; '' for none. Where the clock was set on, those between are left
     * out.
     */
    public function begun(int $now): string
    {
        if ($this->dueAt > $now) {
            return '';
        }
        $this->dueAt = $this->next($now);
        $minute = $this->minute($now);
        if ($minute <= $this->told) {
            return '';
        }
        $this->told = $minute;

        return \sprintf('%02d:%02d', intdiv($minute, 60) % 24, $minute % 60);
    }

    private function minute(int $now): int
    {
        return intdiv((int) $this->ahead + $now, self::MINUTE_NANOS);
    }

    private function next(int $now): int
    {
        return $now + self::MINUTE_NANOS - ((int) $this->ahead + $now) % self::MINUTE_NANOS;
    }
}
