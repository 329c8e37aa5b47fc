<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Universe\Universe;

/** The slots that somebody waits for: a universe is masked with them first, so that all others cost nothing. */
final class Watching
{
    /** How often points are looked at that change with time. */
    private const EVERY_NANOS = 250_000_000;

    /** @var array<string, array<int, list<Reference>>> by universe and slot */
    private array $bySlot = [];

    /** @var array<string, int|float|string|null> what each watched point was, by reference */
    private array $was = [];

    /** @var list<Reference> points that change with time */
    private array $polled = [];

    /** When poll() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    public function __construct(private readonly Points $points)
    {
    }

    public function adopt(Plan $plan): void
    {
        $this->bySlot = [];
        $this->polled = [];
        $was = [];
        foreach ($plan->index->watched() as $reference) {
            $notice = $this->points->notice($reference);
            [$universe, $slots] = $this->points->slots($reference);
            foreach ($notice === Notice::Levels ? $slots : [] as $slot) {
                $this->bySlot[$universe][$slot][] = $reference;
            }
            if ($notice === Notice::Looked) {
                $this->polled[] = $reference;
            }
            if ($notice === Notice::Looked || $notice === Notice::Levels) {
                $was[$reference->text()] = $this->was[$reference->text()] ?? $this->points->read($reference);
            }
        }
        $this->was = $was;
        $this->dueAt = $this->polled === [] ? \PHP_INT_MAX : 0;
    }

    /** What there was before a restart has been put back: nothing of it is a change. */
    public function beginAnew(): void
    {
        foreach ($this->bySlot as $slots) {
            foreach (array_merge(...array_values($slots)) as $reference) {
                $this->was[$reference->text()] = $this->points->read($reference);
            }
        }
        foreach ($this->polled as $reference) {
            $this->was[$reference->text()] = $this->points->read($reference);
        }
    }

    /** Something has happened that may have changed a point which nobody tells of: it is looked at in a moment. */
    public function lookSoon(): void
    {
        $this->dueAt = $this->polled === [] ? \PHP_INT_MAX : 0;
    }

    /** @return list<PointChanged> points that have other values because time has passed */
    public function poll(int $now): array
    {
        $this->dueAt = $this->polled === [] ? \PHP_INT_MAX : $now + self::EVERY_NANOS;
        $changes = array_map($this->compare(...), $this->polled);

        return array_values(array_filter($changes));
    }

    /**
     * A universe has other levels.
     *
     * @return list<PointChanged> the watched points in it that have other values now
     */
    public function look(Universe $universe): array
    {
        $changes = [];
        foreach ($this->bySlot[$universe->id] ?? [] as $references) {
            foreach ($references as $reference) {
                $changes[] = $this->compare($reference);
            }
        }

        return array_values(array_filter($changes));
    }

    private function compare(Reference $reference): ?PointChanged
    {
        $key = $reference->text();
        $now = $this->points->read($reference);
        $was = $this->was[$key] ?? null;
        if ($now === $was) {
            return null;
        }
        $this->was[$key] = $now;

        return new PointChanged($reference, $now, $was);
    }
}
