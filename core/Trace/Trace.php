<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** The newest events, oldest first. Bounded: what is old falls out. */
final class Trace
{
    public const LENGTH = 500;
    private const FOLD_NANOS = 1_000_000_000;

    /** @var array<int, Event> by serial */
    private array $events = [];

    /** @var array<string, Event> by key, the one that like events are folded into */
    private array $open = [];
    private int $serial = 0;
    private int $revision = 0;

    /** Begins an event, or begins it anew when one with this key began less than a second ago. */
    public function begin(Kind $kind, string $key, string $portId, string|Fact $what, int $now): Event
    {
        $event = $this->open[$key] ?? null;
        if ($event !== null && $now - $event->startedAt < self::FOLD_NANOS) {
            $event->again($what, $now);
        } else {
            $event = new Event(++$this->serial, $kind, $key, $portId, $now, $now, $what);
            $this->events[$event->serial] = $event;
            $this->open[$key] = $event;
            if (\count($this->events) > self::LENGTH) {
                $this->dropOldest();
            }
        }
        $event->revision = ++$this->revision;

        return $event;
    }

    public function hop(
        Event $event,
        Step $step,
        string|Fact $what,
        string $bytes = '',
        ?string $routeId = null,
        string $peer = '',
    ): void {
        $isFull = \count($event->hops) >= Event::MOST_HOPS;
        // What was cut, or refused, is told even where there is no room for all that was done.
        if ($isFull && $step === Step::Refused) {
            array_pop($event->hops);
        }
        if (! $isFull || $step === Step::Refused) {
            $event->hops[] = new Hop($step, $what, $bytes, $routeId, $peer);
            $event->revision = ++$this->revision;
        }
    }

    /** An event of a single hop. */
    public function note(
        Kind $kind,
        string $key,
        string $portId,
        Step $step,
        string|Fact $what,
        int $now,
        string $bytes = '',
    ): void {
        $this->hop($this->begin($kind, $key, $portId, $what, $now), $step, $what, $bytes);
    }

    public function revision(): int
    {
        return $this->revision;
    }

    /** @return list<Event> changed since that revision, oldest change first, the newest $most of them */
    public function since(int $revision, int $most): array
    {
        if ($revision >= $this->revision) {
            return [];
        }
        $changed = array_filter($this->events, static fn(Event $event): bool => $event->revision > $revision);
        usort($changed, static fn(Event $a, Event $b): int => $a->revision <=> $b->revision);

        return \array_slice($changed, -$most);
    }

    /**
     * @param list<int>|null $serials null for all
     *
     * @return list<Event> those of them that are still there, oldest first
     */
    public function events(?array $serials = null): array
    {
        return array_values($serials === null ? $this->events : array_intersect_key($this->events, array_flip($serials)));
    }

    private function dropOldest(): void
    {
        $serial = array_key_first($this->events);
        if ($serial === null) {
            return;
        }
        $oldest = $this->events[$serial];
        unset($this->events[$serial]);
        if (($this->open[$oldest->key] ?? null) === $oldest) {
            unset($this->open[$oldest->key]);
        }
    }
}
