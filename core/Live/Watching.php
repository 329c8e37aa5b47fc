<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Live\Points\Fixtures;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Universe\Universe;

/** The slots that somebody waits for: a universe is masked with them first, so that all others cost nothing. */
final class Watching
{
    /** @var array<string, array<int, list<Reference>>> by universe and slot */
    private array $bySlot = [];

    /** @var array<string, int|float|string|null> what each watched point was, by reference */
    private array $was = [];

    public function __construct(private readonly Points $points, private readonly Fixtures $fixtures)
    {
    }

    public function adopt(Plan $plan): void
    {
        $this->bySlot = [];
        $was = [];
        foreach ($plan->index->watched() as $reference) {
            $universe = $reference->kind === 'fixture' ? $plan->patch->fixtures[$reference->id]->universeId ?? '' : $reference->id;
            $slots = match ($reference->kind) {
                'slot' => [(int) $reference->part - 1],
                'fixture' => $this->fixtures->slots($reference),
                default => [],
            };
            foreach ($slots as $slot) {
                $this->bySlot[$universe][$slot][] = $reference;
            }
            if ($slots !== []) {
                $was[$reference->text()] = $this->was[$reference->text()] ?? $this->points->read($reference);
            }
        }
        $this->was = $was;
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
                $key = $reference->text();
                $now = $this->points->read($reference);
                if ($now !== $this->was[$key]) {
                    $changes[$key] = new PointChanged($reference, $now, $this->was[$key]);
                    $this->was[$key] = $now;
                }
            }
        }

        return array_values($changes);
    }
}
