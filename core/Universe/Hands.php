<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** People's hands on universes: what they hold and release, told to the trace. */
final readonly class Hands
{
    public function __construct(private Trace $trace)
    {
    }

    /** @param non-empty-list<Hold> $holds all by one person and until one time */
    public function hold(Universe $universe, array $holds, int $now): Event
    {
        $first = $holds[0];
        $from = \ord($universe->levels[$first->slot]);
        $levels = implode(', ', array_unique(array_map(static fn(Hold $hold): int => $hold->level, $holds)));
        $slots = self::slots($first->slot, $holds[\count($holds) - 1]->slot);
        $title = new Said('{name} holds {slots} of {universe} at {levels}', ['name' => $first->by, 'slots' => $slots, 'universe' => $universe->id, 'levels' => $levels]);
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', $title, $now);
        $this->trace->hop($event, Step::Changed, new Said('from {before} to {level}', ['before' => $from, 'level' => $first->level]));
        $universe->hold(...$holds);

        return $event;
    }

    /**
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     */
    public function release(Universe $universe, ?int $first, ?int $last, string $by, int $now): Event
    {
        $what = $first === null ? 'all slots' : self::slots($first, $last ?? $first);
        $title = new Said('{name} releases {slots} of {universe}', ['name' => $by, 'slots' => $what, 'universe' => $universe->id]);
        $event = $this->trace->begin(Kind::Hold, "hold {$universe->id}", '', $title, $now);
        $universe->release($first, $last);
        $this->trace->hop($event, Step::Changed, 'the sources have it again');

        return $event;
    }

    private static function slots(int $first, int $last): string
    {
        return $first === $last ? 'slot '.($first + 1) : 'slots '.($first + 1).' to '.($last + 1);
    }
}
