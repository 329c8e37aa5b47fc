<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Universe\Universe;

/**
 * What other levels of universes bring with them. One call of the junction is one
 * turn: changes are gathered while it lasts, and committed once at its end. First
 * copies follow, universe by universe, then every output is offered the levels that
 * came of it all: no frame carries half an event.
 */
final class Changes
{
    private Plan $plan;

    /** @var array<string, Universe> changed in this turn, and not copied on yet */
    private array $dirty = [];

    public function __construct(
        private readonly Universes $universes,
        private readonly Routing $routing,
        private readonly Outputs $outputs,
        private readonly Probes $probes,
    ) {
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
    }

    /**
     * A universe has other levels, or has become known, or has stopped.
     *
     * @param string $before 512 bytes: its levels until now
     * @param Event|null $event what the change comes of, for the trace
     */
    public function note(Universe $universe, string $before, ?Event $event): void
    {
        $this->routing->changed($universe, $before);
        if ($event !== null && $universe->levels !== $before) {
            $this->outputs->await($universe->id, $event);
        }
        $this->dirty[$universe->id] = $universe;
    }

    /** The turn ends: copies follow, then outputs are offered the levels of now, once. */
    public function commit(int $now): void
    {
        $changed = $this->dirty;
        while ($this->dirty !== []) {
            $universe = reset($this->dirty);
            unset($this->dirty[$universe->id]);
            if ($this->copy($universe, $now)) {
                $changed += $this->dirty;
            }
        }
        foreach ($changed as $universe) {
            $this->probes->levels($universe->id, $universe->levels, $now);
            $this->outputs->offer($universe, $now);
        }
    }

    /** What time has ended: sources that were not heard, holds, fades that go on. */
    public function expire(int $now): void
    {
        $before = array_map(static fn(Universe $universe): string => $universe->levels, $this->universes->all());
        foreach ($this->universes->expire($now) as $id) {
            $universe = $this->universes->find($id);
            if ($universe !== null) {
                $this->note($universe, $before[$id] ?? $universe->levels, null);
            }
        }
    }

    /** Every universe is looked at anew: the plan has changed. */
    public function noteAll(): void
    {
        $this->dirty = $this->universes->all();
    }

    /**
     * Parts of a universe that are carried elsewhere; ranges never run in a circle, a show that does is refused.
     *
     * @return bool whether another universe has changed because of it
     */
    private function copy(Universe $universe, int $now): bool
    {
        $hasMoved = false;
        foreach ($universe->spoken ? $this->plan->copies[$universe->id] ?? [] : [] as $copy) {
            $target = $this->universes->find($copy->toUniverse);
            if ($target === null) {
                continue;
            }
            $before = $target->levels;
            if ($this->universes->setSparse($target, "range {$copy->id}", "Range \"{$copy->name}\"", $copy->of($universe->levels), $now)) {
                $this->note($target, $before, null);
                $hasMoved = true;
            }
        }

        return $hasMoved;
    }
}
