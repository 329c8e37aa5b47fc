<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Plan\Copy;
use NimbleJunction\Core\Plan\Mapping;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Universe\UniverseState;

/** All universes of the show: what they hear, what our own routes and copies set in them, and what ends in time. */
final class Universes implements Room
{
    /** When the next source may be lost, or hold be over. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, Universe> by id */
    private array $universes = [];
    /** @var array<string, array<string, array<int, true>>> slots that each route sets, by universe and owner */
    private array $routeSlots = [];
    private Plan $plan;
    private readonly Intake $intake;

    /**
     * @param \Closure(string): \NimbleJunction\Core\Port\Activity $activity of a port
     * @param \Closure(Occurred): void $happened a source of levels came or went
     */
    public function __construct(private readonly Trace $trace, \Closure $activity, \Closure $happened)
    {
        $this->intake = new Intake(new SourceTrace($trace), $activity, $happened);
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
        $repatched = Repatched::between($this->plan, $plan);
        $repatched->takeUp($this->universes, $plan->routeSlots);
        $this->plan = $plan;
        $this->intake->adopt($plan);
        $feeds = $plan->feeds();
        $routes = $plan->routeSlots;
        $copies = $this->copiesByTarget($plan);
        $kept = [];
        foreach ($plan->universes as $id => $entry) {
            $universe = $this->universes[$id] ?? new Universe((string) $id, $entry['rules']);
            $isPatchedAlike = $universe->rules()->wide->equal($entry['rules']->wide);
            $universe->use($entry['rules'], $entry['stages'], $now);
            foreach ($universe->sources() as $source) {
                $feed = $feeds["{$source->portId} {$id}"] ?? null;
                if ($feed === null) {
                    $universe->remove($source, $now);
                } else {
                    $this->intake->useTimeOut($universe, $source, $feed);
                }
            }
            $this->giveAnew(
                $universe,
                $routes[$id] ?? [],
                $isPatchedAlike ? $this->routeSlots[$id] ?? [] : [],
                $copies[$id] ?? [],
                $repatched->left((string) $id),
            );
            $universe->settle($now);
            $this->dueAt = min($this->dueAt, $universe->kept->fadeDueAt($now));
            $kept[$id] = $universe;
        }
        $repatched->putDown($kept);
        foreach ($kept as $universe) {
            $universe->settle($now);
        }
        $this->universes = $kept;
        $this->routeSlots = $routes;
        foreach ($kept as $universe) {
            $this->dim($universe);
        }
    }

    /**
     * Fixtures that have only colours are as bright as their virtual intensities say.
     *
     * @param Universe $intensities what lies beside a universe; nothing happens where it is a universe itself
     *
     * @return Universe|null the one that has other levels now
     */
    public function dim(Universe $intensities): ?Universe
    {
        $universe = Intensities::areAt($intensities->id)
            ? $this->universes[Intensities::universe($intensities->id)] ?? null
            : null;
        $universe?->wayOut()->dim($intensities->levels, $intensities->wayOut()->holds());

        return $universe?->lay() === true ? $universe : null;
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
        $senders = ($this->universes[$universeId] ?? null)?->control()->senders ?? [];

        return \count(array_filter($senders, static fn(Source $source): bool => $source->protocol === $protocol));
    }

    /** Why a slot cannot be set by itself: it is a finer part of a parameter, or never driven; '' where it can. */
    public function refusal(Universe $universe, int $slot): string
    {
        if ($universe->wayOut()->guards($slot)) {
            return 'slot '.($slot + 1).' is never driven, as the profile there says';
        }
        if ($universe->rules()->wide->coarse($slot) === $slot) {
            return '';
        }
        $parameter = 'a parameter';
        foreach ($this->plan->patch->at($universe->id, $slot + 1) as [$fixture, $placed]) {
            $parameter = "{$fixture->name}, {$placed->name}";
        }
        $coarse = $universe->rules()->wide->coarse($slot) + 1;

        return 'slot '.($slot + 1)
            ." is a finer part of {$parameter}: give the route its coarsest slot, {$coarse}, which sets all of it";
    }

    /** A copy brings what leaves elsewhere; it counts when the universe is settled. */
    public function bring(Universe $universe, Copy $copy, string $levels): void
    {
        $universe->layers()->give($copy->owner(), "Copy \"{$copy->name}\"", $copy->of($levels), $copy->mask);
    }

    public function key(): string
    {
        return 'universes';
    }

    public function revisions(): array
    {
        return array_map(
            static fn(Universe $universe): int => $universe->changes,
            array_filter($this->universes, UniverseState::isThere(...)),
        );
    }

    public function kept(string $part, int $now): array
    {
        return UniverseState::of($this->universes[$part], $now);
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
            $this->restoreOldRoutes($part, $this->universes[$id], $now);
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
                    $lostAt <= $now
                        ? $moved = $this->intake->rankSlots($universe, $source, '', $now) || $moved
                        : $next = min($next, $lostAt);
                }
            }
            foreach ($universe->wayOut()->holds() as $hold) {
                if ($hold->until <= $now) {
                    $moved = $universe->release($hold->slot) || $moved || Intensities::areAt($universe->id);
                    $over = 'The hold on slot {slot} of {universe} is over: its time has passed';
                    $this->trace->note(
                        Kind::Hold,
                        "hold {$universe->id}",
                        '',
                        Step::Changed,
                        new Said($over, ['slot' => $hold->slot + 1, 'universe' => $universe->id]),
                        $now,
                    );
                } else {
                    $next = min($next, $hold->until);
                }
            }
            $moved = $universe->fadeOn($now) || $moved;
            $next = min($next, $universe->kept->fadeDueAt($now));
            if ($moved) {
                $changed[] = $universe->id;
            }
        }
        $this->dueAt = min($next, $this->intake->dueAt);

        return $changed;
    }

    /** What was written down before own contributions were kept apart has one source for all routes together. */
    private function restoreOldRoutes(Stored $stored, Universe $universe, int $now): void
    {
        foreach ($stored->parts('sources') as $part) {
            $levels = $part->bytes('key', null, 512) === 'routes' ? $part->bytes('levels', Frame::SLOTS) : '';
            foreach ($levels === '' ? [] : $this->plan->routeSlots[$universe->id] ?? [] as $owner => $slots) {
                foreach (array_keys($slots) as $slot) {
                    if ($levels[$slot] !== "\0") {
                        $universe->layers()->set($owner, $this->nameOf($owner), [$slot => \ord($levels[$slot])]);
                    }
                }
            }
        }
        $universe->settle($now);
    }

    /** What a port says of its sources may have been changed since they were written down. */
    private function rankByPlan(int $now): void
    {
        $feeds = $this->plan->feeds();
        foreach ($this->universes as $id => $universe) {
            foreach ($universe->sources() as $source) {
                $mapping = $feeds["{$source->portId} {$id}"] ?? null;
                if ($mapping !== null) {
                    $universe->rank(
                        $source,
                        $mapping->priorities[$source->address] ?? $mapping->priority ?? $source->priority,
                        $now,
                        $mapping->lastResort,
                        $source->preview,
                    );
                }
            }
        }
    }

    /**
     * What is ours goes on by the plan of now: a route that still sets these slots gives what it gave, by the names
     * and the patch of now; what has no owner any more ends. Copies bring what they bring when the turn is committed.
     *
     * @param array<string, array<int, true>> $routes slots that each route sets, by owner
     * @param array<string, array<int, true>> $before those that each route set until now: what did not change is left alone
     * @param array<string, Copy> $copies by owner
     * @param array<string, array<int, true>> $left slots whose parameter lies elsewhere now, by owner: what was given there goes along
     */
    private function giveAnew(Universe $universe, array $routes, array $before, array $copies, array $left): void
    {
        foreach ($universe->layers()->all() as $layer) {
            foreach ($layer->all() as $owner => $contribution) {
                if ($this->plan->programme->owns((string) $owner)) {
                    continue;
                }
                $slots = $routes[$owner] ?? [];
                if ($slots !== [] && ! isset($left[$owner]) && $slots === ($before[$owner] ?? null)) {
                    $contribution->name = $this->nameOf($owner);

                    continue;
                }
                $levels = $mask = Bytes::$none;
                foreach (array_keys(array_diff_key($slots, $left[$owner] ?? [])) as $slot) {
                    if ($contribution->mask[$slot] !== "\0") {
                        $levels[$slot] = $contribution->levels[$slot];
                        $mask[$slot] = "\xFF";
                    }
                }
                if ($mask !== Bytes::$none) {
                    $universe->layers()
                        ->give($owner, $this->nameOf($owner), $levels, $mask, $layer->priority, $contribution->isSet);
                } elseif (! isset($copies[$owner])) {
                    $universe->layers()->end($owner);
                }
            }
        }
    }

    private function nameOf(string $owner): string
    {
        $name = $this->plan->index->routes[substr($owner, \strlen('route '))]->name ?? $owner;

        return "Route \"{$name}\"";
    }

    /** @return array<string, array<string, Copy>> by the universe that it is brought to, and owner */
    private function copiesByTarget(Plan $plan): array
    {
        $copies = [];
        foreach ($plan->copies as $list) {
            foreach ($list as $copy) {
                $copies[$copy->toUniverse][$copy->owner()] = $copy;
            }
        }

        return $copies;
    }
}
