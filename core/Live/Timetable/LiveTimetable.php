<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timetable;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Timetable\Occasion;
use NimbleJunction\Core\Timetable\Timetable;

/**
 * The timetable at work: what comes when, by the clock of the day that somebody outside says, and in the time zone of the
 * house. What was missed while nothing ran, or as the clock was put on, is made up for or left out, as each occasion says.
 */
final class LiveTimetable implements Room
{
    private const NANOS = 1_000_000_000;

    /** Put on by no more than this, the clock only ran slow: nothing was missed by it. */
    private const SLOW_SECONDS = 90;

    /** Set back by less than this, what came does not come again: the end of summer time, a clock that ran fast. */
    private const BACK_SECONDS = 7200;

    /** @var array<string, int> when each comes next, in seconds since 1970, by its id; only those that come */
    private array $next = [];

    /** @var array<string, int> when each came last, in seconds since 1970 */
    private array $came = [];

    /** @var array<string, bool> switched otherwise than the show says */
    private array $switched = [];

    /** @var array<string, int> counted on with whatever has to be kept of each */
    private array $acts = [];
    private Timetable $timetable;

    /** Nanoseconds since 1970 when ours shows 0; null where nobody has said what time it is. */
    private ?int $ahead = null;
    private \DateTimeZone $zone;

    /** Until when all has come, or was looked at, in seconds since 1970. */
    private int $seen = 0;

    /** What our own clock was when somebody looked last. */
    private int $passed = 0;

    /** Since when nothing ran, by our own clock; null where that is not known. */
    private ?int $gone = null;

    /**
     * @param \Closure(Event): void $happened
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and had this one
     */
    public function __construct(private readonly \Closure $happened, private readonly \Closure $changed)
    {
        $this->timetable = new Timetable();
        $this->zone = new \DateTimeZone('UTC');
    }

    public function adopt(Plan $plan, int $now): void
    {
        if ($plan->timetable !== $this->timetable) {
            $this->lookUntil($now);
            $before = $this->first();
            $this->timetable = $plan->timetable;
            $this->came = array_intersect_key($this->came, $this->timetable->occasions);
            $this->switched = array_intersect_key($this->switched, $this->timetable->occasions);
            $this->lookAhead($now);
            $this->tell($before, $now);
        }
    }

    /** What time it is. */
    public function setClock(int $unixNanos, \DateTimeZone $zone, int $now): void
    {
        // By the clock as it was: what is due comes, and only the step between both can make that anything was missed.
        $this->goOn($now);
        $this->lookUntil($now);
        $this->passed = $now;
        $isFirst = $this->ahead === null;
        $before = $this->first();
        $this->ahead = $unixNanos - $now;
        $isElsewhere = $zone->getName() !== $this->zone->getName();
        $this->zone = $zone;
        $is = $this->unix($now);
        if ($isFirst) {
            $this->seen = $this->gone === null ? $is : min($is, $this->unix($this->gone));
            $this->gone = null;
        }
        $wasWrong = $is < $this->seen - self::BACK_SECONDS;
        if ($wasWrong || $isFirst) {
            // It was wrong before: what came in a future that is none does not count.
            $this->came = array_filter($this->came, static fn(int $at): bool => $at <= $is + self::BACK_SECONDS);
            $this->seen = min($this->seen, $is);
        }
        if ($isFirst || $isElsewhere || $wasWrong || $is - $this->seen > self::SLOW_SECONDS) {
            $this->goOnFrom($now);
        }
        $this->tell($before, $now);
    }

    public function dueAt(): int
    {
        return $this->ahead === null || $this->next === [] ? \PHP_INT_MAX : min($this->next) * self::NANOS - $this->ahead;
    }

    public function goOn(int $now): void
    {
        if ($this->dueAt() > $now) {
            return;
        }
        $before = $this->first();
        $is = $this->unix($now);
        $due = array_filter($this->next, static fn(int $at): bool => $at <= $is);
        asort($due);
        foreach ($due as $id => $at) {
            $this->come((string) $id, $at);
        }
        $this->seen = $is;
        $this->lookAhead($now);
        $this->tell($before, $now);
    }

    /** @return string id of the one that comes next; '' for none */
    public function first(): string
    {
        return $this->next === [] ? '' : (string) array_search(min($this->next), $this->next, true);
    }

    /** @return int|null when it comes next, in seconds since 1970 */
    public function nextOf(string $id): ?int
    {
        return $this->next[$id] ?? null;
    }

    /** @return int|null when it came last, in seconds since 1970; null where that is not known */
    public function lastOf(string $id): ?int
    {
        return $this->came[$id] ?? null;
    }

    /** @return list<array{string, int}> what comes next, in its order: ids, and when */
    public function coming(): array
    {
        $next = $this->next;
        asort($next);

        return array_map(static fn(int|string $id, int $at): array => [(string) $id, $at], array_keys($next), $next);
    }

    public function isOn(string $id): bool
    {
        return $this->switched[$id] ?? $this->timetable->occasions[$id]->enabled ?? false;
    }

    public function turn(string $id, bool $isOn, int $now): string
    {
        if (! isset($this->timetable->occasions[$id])) {
            return 'there is no such occasion';
        }
        $this->lookUntil($now);
        $was = $this->isOn($id);
        $before = $this->first();
        $this->switched[$id] = $isOn;
        $this->note($id);
        $this->lookAhead($now);
        $this->told("occasion:{$id}/enabled", (int) $isOn, (int) $was);
        $this->tell($before, $now);

        return '';
    }

    /** Somebody lets it happen now. */
    public function press(string $id): string
    {
        if (! isset($this->timetable->occasions[$id])) {
            return 'there is no such occasion';
        }
        ($this->happened)(Timetable::came($id));

        return '';
    }

    /** Time has come to $now. */
    public function passes(int $now): void
    {
        $this->passed = $now;
    }

    /** @return int what time it was when somebody looked last, in seconds since 1970 */
    public function lookedAt(): int
    {
        return $this->unix($this->passed);
    }

    /** @return int seconds since 1970 */
    public function unix(int $now): int
    {
        return intdiv((int) $this->ahead + $now, self::NANOS);
    }

    public function knowsTime(): bool
    {
        return $this->ahead !== null;
    }

    public function zone(): \DateTimeZone
    {
        return $this->zone;
    }

    public function key(): string
    {
        return 'timetable';
    }

    public function revisions(): array
    {
        return $this->acts;
    }

    public function kept(string $part, int $now): array
    {
        return ['came' => $this->came[$part] ?? 0, 'on' => isset($this->switched[$part]) ? (int) $this->switched[$part] : null];
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach (array_keys($this->timetable->occasions) as $id) {
            $part = $stored->part((string) $id);
            $came = $part->whole('came', 1, \PHP_INT_MAX);
            $isOn = $part->whole('on', 0, 1);
            if ($came !== null) {
                $this->came[$id] = $came;
            }
            if ($isOn !== null) {
                $this->switched[$id] = $isOn === 1;
            }
            if ($came !== null || $isOn !== null) {
                $this->note((string) $id);
            }
        }
        $this->gone = $now - $away;
        if ($this->ahead !== null) {
            $this->seen = min($this->seen, $this->unix($this->gone));
            $this->gone = null;
        }
        $this->goOnFrom($now);
    }

    /** What lies before now is over, unless it is due and has still to come: whatever is changed counts from now on. */
    private function lookUntil(int $now): void
    {
        if ($this->ahead !== null && $this->dueAt() > $now) {
            $this->seen = max($this->seen, $this->unix($now));
        }
    }

    /** From where it was looked at last: a little ago, and what lies between comes; longer ago, and it was missed. */
    private function goOnFrom(int $now): void
    {
        $this->ahead !== null && $this->unix($now) - $this->seen > self::SLOW_SECONDS
            ? $this->makeUp($now)
            : $this->lookAhead($now);
    }

    /**
     * What had its moment since it was looked at last, and did not come: of each the last time, where that is not too long
     * ago.
     */
    private function makeUp(int $now): void
    {
        $is = $this->unix($now);
        $missed = [];
        foreach ($this->timetable->occasions as $id => $occasion) {
            $at = $occasion->missed === 'do' && $this->isOn((string) $id) ? $this->lastMissed($occasion, $is) : null;
            if ($at !== null) {
                $missed[$id] = $at;
            }
        }
        asort($missed);
        foreach ($missed as $id => $at) {
            $this->come((string) $id, $at);
        }
        $this->seen = $is;
        $this->lookAhead($now);
    }

    private function lastMissed(Occasion $occasion, int $is): ?int
    {
        $from = max($this->seen, $this->came[$occasion->id] ?? 0, $is - (int) ($occasion->within * 3600.0));
        $found = null;
        for ($at = $occasion->next($from, $this->zone); $at !== null && $at <= $is; $at = $occasion->next($at, $this->zone)) {
            $found = $at;
        }

        return $found;
    }

    private function come(string $id, int $at): void
    {
        $this->came[$id] = $at;
        $this->note($id);
        ($this->happened)(Timetable::came($id));
    }

    private function lookAhead(int $now): void
    {
        $this->next = [];
        if ($this->ahead === null) {
            return;
        }
        foreach ($this->timetable->occasions as $id => $occasion) {
            $after = max($this->seen, $this->came[$id] ?? 0);
            $at = $this->isOn((string) $id) ? $occasion->next($after, $this->zone) : null;
            if ($at !== null) {
                $this->next[(string) $id] = $at;
            }
        }
    }

    private function note(string $id): void
    {
        $this->acts[$id] = ($this->acts[$id] ?? 0) + 1;
    }

    private function tell(string $before, int $now): void
    {
        $first = $this->first();
        $this->told(
            'timetable:next',
            $this->timetable->occasions[$first]->name ?? '',
            $this->timetable->occasions[$before]->name ?? '',
        );
    }

    private function told(string $point, int|float|string|null $is, int|float|string|null $was): void
    {
        $reference = $is === $was ? null : Reference::parse($point);
        if ($reference !== null) {
            ($this->changed)($reference, $is, $was);
        }
    }
}
