<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Mapping;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\SlotPriorities;
use NimbleJunction\Core\Universe\Source;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Universe\UniverseState;

/** All universes of the show: what they hear, what our own routes and copies set in them, and what ends in time. */
final class Universes
{
    /** When the next source may be lost, or hold be over. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, Universe> by id */
    private array $universes = [];
    private Plan $plan;
    private readonly Intake $intake;

    /** @param \Closure(string, int): void $missed so many frames of a port's source never came */
    public function __construct(private readonly Trace $trace, \Closure $missed)
    {
        $this->intake = new Intake($trace, $missed);
        $this->plan = Plan::empty();
    }

    /** @return array<string, Universe> by id */
    public function all(): array
    {
        return $this->universes;
    }

    public function find(string $id): ?Universe
    {
        return $this->universes[$id] ?? null;
    }

    /** Universes, sources, levels and holds live on; what the new plan no longer feeds goes. */
    public function adopt(Plan $plan, int $now): void
    {
        $this->plan = $plan;
        $this->intake->adopt($plan);
        $feeds = $plan->feeds();
        $kept = [];
        foreach ($plan->universes as $id => $entry) {
            $universe = $this->universes[$id] ?? new Universe($id, $entry['rules']);
            $universe->use($entry['rules'], $entry['shaping'], $now);
            foreach ($universe->sources() as $source) {
                if ($source->protocol !== null) {
                    isset($feeds["{$source->portId} {$id}"]) || $universe->remove($source, $now);
                } elseif ($source->key === Universe::ROUTES) {
                    $this->keepRouteSlots($universe, $source);
                } elseif (! $this->isCopied($source->key, $id)) {
                    $universe->remove($source, $now);
                }
            }
            $this->dueAt = min($this->dueAt, $universe->fadeDueAt($now));
            $kept[$id] = $universe;
        }
        $this->universes = $kept;
    }

    /** @return bool whether the universe's levels changed */
    public function hear(Mapping $mapping, Frame $frame, string $from, int $now): bool
    {
        $changed = $this->intake->hear($this->universes[$mapping->universeId], $mapping, $frame, $from, $now);
        $this->dueAt = min($this->dueAt, $this->intake->dueAt);

        return $changed;
    }

    public function keepAlive(Mapping $mapping, Frame $frame, int $now): void
    {
        $this->intake->keepAlive($this->universes[$mapping->universeId], $mapping, $frame, $now);
    }

    /** How many sources of a protocol are merged into a universe. */
    public function countOf(string $universeId, Protocol $protocol): int
    {
        $sources = ($this->universes[$universeId] ?? null)?->leading() ?? [];

        return \count(array_filter($sources, static fn(Source $source): bool => $source->protocol === $protocol));
    }

    /** Sets one slot from a route: routes are one source together, beside whichever priority leads. */
    public function setByRoute(Universe $universe, int $slot, int $level, int $now): bool
    {
        $levels = $universe->source(Universe::ROUTES)->levels ?? str_repeat("\0", Frame::SLOTS);
        $levels[$slot] = \chr($level);

        return $this->setSparse($universe, Universe::ROUTES, 'Routes', $levels, $now);
    }

    /**
     * A source of our own has other levels: it joins whichever priority leads.
     *
     * @param string $levels 512 bytes
     */
    public function setSparse(Universe $universe, string $key, string $name, string $levels, int $now): bool
    {
        $source = $universe->source($key);
        if ($source === null) {
            $source = new Source($key, '', null, $name, '', null);
            $source->heardAt = $now;
            $source->set($levels);

            return $universe->add($source, $now);
        }
        $source->heardAt = $now;
        $source->name = $name;
        ++$source->frames;

        return $universe->move($source, $levels, $now);
    }

    /** @return array<string, array<string, mixed>> for restore(), by universe */
    public function state(int $now): array
    {
        return array_filter(array_map(static fn(Universe $universe): ?array => UniverseState::of($universe, $now), $this->universes));
    }

    /**
     * Puts back what there was before a restart, as far as the plan of now still has a place for it.
     *
     * @param array<string, Stored> $stored by universe
     * @param int $away nanoseconds since it was written down
     */
    public function restore(array $stored, int $now, int $away): void
    {
        foreach (array_intersect_key($stored, $this->universes) as $id => $part) {
            UniverseState::restore($part, $this->universes[$id], $now, $away);
        }
        $this->adopt($this->plan, $now);
        $this->rankByPlan($now);
        $this->dueAt = $now;
    }

    /** @return list<string> ids of universes whose levels changed */
    public function expire(int $now): array
    {
        $changed = [];
        $next = $this->intake->dueAt = \PHP_INT_MAX;
        foreach ($this->universes as $universe) {
            $moved = false;
            foreach ($universe->sources() as $source) {
                $lostAt = $source->lostAt();
                if ($lostAt <= $now) {
                    $silent = number_format(($now - $source->heardAt) / 1e9, 1, '.', '');
                    $moved = $this->intake->lose($universe, $source, "was not heard for {$silent} s", $now) || $moved;
                } else {
                    $next = min($next, $lostAt);
                }
                if ($source->slotPriorities !== '') {
                    $lostAt = $source->slotPrioritiesAt + SlotPriorities::LOST_NANOS;
                    $lostAt <= $now ? $moved = $this->intake->rankSlots($universe, $source, '', $now) || $moved : $next = min($next, $lostAt);
                }
            }
            foreach ($universe->holds() as $hold) {
                if ($hold->until <= $now) {
                    $moved = $universe->release($hold->slot) || $moved;
                    $this->trace->note(Kind::Hold, "hold {$universe->id}", '', Step::Changed, 'The hold on slot '.($hold->slot + 1)." of {$this->named($universe)} is over: its time has passed", $now);
                } else {
                    $next = min($next, $hold->until);
                }
            }
            $moved = $universe->fadeOn($now) || $moved;
            $next = min($next, $universe->fadeDueAt($now));
            if ($moved) {
                $changed[] = $universe->id;
            }
        }
        $this->dueAt = min($next, $this->intake->dueAt);

        return $changed;
    }

    /** What a port says of its sources may have been changed since they were written down. */
    private function rankByPlan(int $now): void
    {
        $feeds = $this->plan->feeds();
        foreach ($this->universes as $id => $universe) {
            foreach ($universe->sources() as $source) {
                $mapping = $feeds["{$source->portId} {$id}"] ?? null;
                if ($mapping !== null) {
                    $universe->rank($source, $mapping->priorities[$source->address] ?? $mapping->priority ?? $source->priority, $now, $mapping->lastResort, $source->preview);
                }
            }
        }
    }

    private function isCopied(string $key, string $universeId): bool
    {
        foreach ($this->plan->copies as $copies) {
            foreach ($copies as $copy) {
                if ("range {$copy->id}" === $key && $copy->toUniverse === $universeId) {
                    return true;
                }
            }
        }

        return false;
    }

    private function keepRouteSlots(Universe $universe, Source $source): void
    {
        $kept = str_repeat("\0", Frame::SLOTS);
        foreach ($this->plan->messageRoutes as $addresses) {
            foreach ($addresses as $routes) {
                foreach ($routes as $route) {
                    if ($route->enabled && $route->universeId === $universe->id) {
                        $kept[$route->slot] = $source->levels[$route->slot];
                    }
                }
            }
        }
        $universe->move($source, $kept, $source->heardAt);
    }

    private function named(Universe $universe): string
    {
        return $this->plan->universeName($universe->id);
    }
}
