<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Universe\Universe;

/**
 * What other levels of universes bring with them. One call of the junction is one
 * turn: what is ours is merged once a universe, copies follow in their order, and at
 * its end every output is offered the levels that came of it all: no frame carries
 * half an event.
 */
final class Changes
{
    private Plan $plan;

    /** @var array<string, Universe> changed in this turn, and not copied on yet */
    private array $dirty = [];

    /** @var array<string, Universe> changed in this turn: outputs are offered them at its end */
    private array $changed = [];

    /** @var array<string, Universe> changed on the way to what is to be: nobody has looked at it */
    private array $unseen = [];

    /** @var list<Result> what routes asked for in this turn, to be told when it is known what came of it */
    private array $asked = [];

    /** @param \Closure(PointChanged): void $happened a watched point has another value */
    public function __construct(
        private readonly Universes $universes,
        private readonly Routing $routing,
        private readonly Outputs $outputs,
        private readonly Probes $probes,
        private readonly Watching $watching,
        private readonly \Closure $happened,
    ) {
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
    }

    /** Something has happened that may have changed a point which nobody tells of. */
    public function lookSoon(): void
    {
        $this->watching->lookSoon();
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
            $this->outputs->await(Intensities::universe($universe->id), $event);
        }
        $this->dirty[$universe->id] = $universe;
    }

    /** A route has set a slot; what comes of it is known when the turn ends. */
    public function ask(Universe $universe, Route $route, int $slot, int $level, ?int $priority, Event $event): void
    {
        $universe->layers()->set($route->owner, $route->title, [$slot => $level], $priority);
        $this->asked[] = new Result($event, $route, $slot, $level, $universe, $universe->levels);
        $this->dirty[$universe->id] = $universe;
    }

    /** Something of ours in a universe has been set, and is to be merged. */
    public function touch(Universe $universe): void
    {
        $this->dirty[$universe->id] = $universe;
    }

    /**
     * All that has changed so far is merged, once a universe, and copies follow.
     *
     * @param bool $isSeen whether watched slots are looked at; on the way to what is to be they are not
     */
    public function settle(int $now, bool $isSeen = true): void
    {
        if ($isSeen) {
            $this->dirty += $this->unseen;
            $this->unseen = [];
        }
        while ($this->dirty !== []) {
            $id = $this->nextDirty();
            $universe = $this->dirty[$id];
            unset($this->dirty[$id]);
            $this->changed[$universe->id] = $universe;
            $this->merge($universe, $now);
            $this->dim($universe);
            $this->copy($universe);
            if (! $isSeen) {
                $this->unseen[$universe->id] = $universe;

                continue;
            }
            foreach ($this->watching->look($universe) as $change) {
                ($this->happened)($change);
            }
        }
    }

    /** The turn ends: outputs are offered the levels of now, once. */
    public function offer(int $now): void
    {
        foreach ($this->changed as $universe) {
            $this->probes->levels($universe->id, $universe->levels, $now);
            $this->outputs->offer($universe, $now);
        }
        $this->changed = [];
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
     * Those that others are copied from come before those that they are copied to.
     *
     * @return string id of a universe
     */
    private function nextDirty(): string
    {
        $next = (string) array_key_first($this->dirty);
        if ($this->plan->copies === [] || \count($this->dirty) === 1) {
            return $next;
        }
        foreach ($this->dirty as $universe) {
            if (($this->plan->order[$universe->id] ?? 0) < ($this->plan->order[$next] ?? 0)) {
                $next = $universe->id;
            }
        }

        return $next;
    }

    private function merge(Universe $universe, int $now): void
    {
        $before = $universe->levels;
        $events = [];
        $asked = $this->asked;
        $this->asked = [];
        $hasMoved = $universe->settle($now);
        foreach ($asked as $result) {
            if ($result->universe !== $universe) {
                $this->asked[] = $result;

                continue;
            }
            $this->routing->tellResult($result);
            $events[] = $result->event;
        }
        if (! $hasMoved) {
            return;
        }
        $this->routing->changed($universe, $before);
        foreach ($universe->levels === $before ? [] : $events as $event) {
            $this->outputs->await($universe->id, $event);
        }
    }

    /** Virtual intensities are otherwise: the universe that they lie beside follows. */
    private function dim(Universe $intensities): void
    {
        $id = Intensities::universe($intensities->id);
        $before = $this->universes->find($id)->levels ?? '';
        $universe = $this->universes->dim($intensities);
        if ($universe !== null) {
            $this->note($universe, $before, null);
        }
    }

    /** Parts of a universe that are carried elsewhere; they never run in a circle, a show that does is refused. */
    private function copy(Universe $universe): void
    {
        foreach ($universe->spoken ? $this->plan->copies[$universe->id] ?? [] : [] as $copy) {
            $destination = $this->universes->find($copy->toUniverse);
            if ($destination === null) {
                continue;
            }
            $this->universes->bring($destination, $copy, $universe->wayOut()->unmastered($universe->merged(), $universe->levels));
            if (! $destination->layers()->areSettled()) {
                $this->dirty[$destination->id] = $destination;
            }
        }
    }
}
