<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Plan\Mapping;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** All universes of the show: takes frames in, keeps sources alive or lets them go, and tells the trace. */
final class Universes
{
    /** When the next source may be lost, or hold be over. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, Universe> by id */
    private array $universes = [];
    private Plan $plan;

    /** @param \Closure(string, int): void $missed so many frames of a port's source never came */
    public function __construct(private readonly Trace $trace, private readonly \Closure $missed)
    {
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
        $universe = $this->universes[$mapping->universeId];
        $key = $mapping->portId."\0".$frame->source;
        $source = $universe->source($key);
        if ($frame->startCode !== 0 && ($frame->startCode !== SlotPriorities::START_CODE || $source === null)) {
            return false;
        }
        if ($source === null) {
            return ! $frame->ended && $this->welcome($universe, $key, $mapping, $frame, $from, $now);
        }
        if ($frame->sequence !== null) {
            if ($source->sequence !== null) {
                if (! $frame->protocol->sequenceFollows($source->sequence, $frame->sequence)) {
                    ++$source->outOfOrder;

                    return false;
                }
                $step = $frame->protocol->sequenceStep($source->sequence, $frame->sequence);
                if ($step > 1) {
                    $source->lost += $step - 1;
                    ($this->missed)($mapping->portId, $step - 1);
                }
            }
            $source->sequence = $frame->sequence;
        }
        if ($frame->startCode !== 0) {
            return $this->rankSlots($universe, $source, $frame->levels, $now);
        }
        if ($frame->ended) {
            return $this->lose($universe, $source, 'says that it has ended', $now);
        }
        $source->heardAt = $now;
        ++$source->frames;
        $source->rhythm->beat($now);
        $source->address = $from;
        if ($frame->name !== '' && $frame->name !== $source->name) {
            $source->name = $frame->name;
        }
        $changed = false;
        $priority = $frame->priority ?? $mapping->priority ?? 100;
        if ($priority !== $source->priority || $mapping->lastResort !== $source->lastResort || $frame->preview !== $source->preview) {
            $was = $this->leaders($universe);
            $before = $source->priority;
            $changed = $universe->rank($source, $priority, $now, $mapping->lastResort, $frame->preview);
            $priority === $before || $this->trace->note(Kind::Source, "rank {$universe->id} {$key}", $source->portId, Step::Changed, "{$source->name} now sends {$this->named($universe)} with priority {$priority}, before {$before}", $now);
            $this->compareLeaders($universe, $was, $source->portId, $now);
        }

        return $universe->move($source, $frame->levels, $now) || $changed;
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
        $next = \PHP_INT_MAX;
        foreach ($this->universes as $universe) {
            $moved = false;
            foreach ($universe->sources() as $source) {
                $lostAt = $source->lostAt();
                if ($lostAt <= $now) {
                    $silent = number_format(($now - $source->heardAt) / 1e9, 1, '.', '');
                    $moved = $this->lose($universe, $source, "was not heard for {$silent} s", $now) || $moved;
                } else {
                    $next = min($next, $lostAt);
                }
                if ($source->slotPriorities !== '') {
                    $lostAt = $source->slotPrioritiesAt + SlotPriorities::LOST_NANOS;
                    $lostAt <= $now ? $moved = $this->rankSlots($universe, $source, '', $now) || $moved : $next = min($next, $lostAt);
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
        $this->dueAt = $next;

        return $changed;
    }

    private function welcome(Universe $universe, string $key, Mapping $mapping, Frame $frame, string $from, int $now): bool
    {
        $others = array_filter($universe->sources(), static fn(Source $other): bool => ! $other->isSparse());
        $name = $frame->name !== '' ? $frame->name : $this->plan->portName($mapping->portId);
        if (\in_array($name, array_map(static fn(Source $other): string => $other->name, $others), true)) {
            $name = "{$name} at {$from}";
        }
        if ($universe->isFull()) {
            $this->trace->note(Kind::Refused, "full {$universe->id}", $mapping->portId, Step::Refused, "{$name} ({$from}) is not merged into {$this->named($universe)}: it has ".Universe::MOST_SOURCES.' sources already', $now);

            return false;
        }
        $source = new Source($key, $mapping->portId, $frame->protocol, $name, $from, $frame->priority ?? $mapping->priority ?? 100, $mapping->lastResort);
        $source->preview = $frame->preview;
        $source->set($frame->levels);
        $source->sequence = $frame->sequence;
        $source->heardAt = $now;
        $source->frames = 1;
        $was = $this->leaders($universe);
        $changed = $universe->add($source, $now);
        $this->dueAt = min($this->dueAt, $source->lostAt());
        $event = $this->trace->begin(Kind::Source, "new {$universe->id} {$key}", $mapping->portId, "New source for {$this->named($universe)}: {$name} ({$from}), priority {$source->priority}", $now);
        $this->trace->hop($event, Step::Heard, "{$this->plan->portName($mapping->portId)} heard {$name} from {$from} for the first time");
        if ($frame->preview) {
            $this->trace->hop($event, Step::Note, 'It says that its levels are a preview: they are shown, and not merged');
        }
        if (\count($others) >= 2) {
            $this->trace->hop($event, Step::Note, 'It is source number '.(\count($others) + 1).' here: we merge it, but many Art-Net nodes merge two and leave a third out');
        }
        $this->compareLeaders($universe, $was, $mapping->portId, $now);

        return $changed;
    }

    private function lose(Universe $universe, Source $source, string $why, int $now): bool
    {
        $was = $this->leaders($universe);
        $changed = $universe->remove($source, $now);
        $this->dueAt = min($this->dueAt, $universe->fadeDueAt($now));
        $event = $this->trace->begin(Kind::Source, "lost {$universe->id} {$source->key}", $source->portId, "Lost source for {$this->named($universe)}: {$source->name} ({$source->address}) {$why}", $now);
        $this->trace->hop($event, Step::Note, "{$source->name} {$why}");
        if ($universe->leading() === []) {
            $this->trace->hop($event, Step::Note, 'No source is left: '.$universe->rules()->whenLost->words());
        }
        $this->compareLeaders($universe, $was, $source->portId, $now);

        return $changed;
    }

    private function leaders(Universe $universe): string
    {
        $names = [];
        foreach ($universe->leading() as $source) {
            if (! $source->isSparse()) {
                $names[] = "{$source->name} (priority {$source->priority})";
            }
        }

        return implode(' and ', $names);
    }

    private function compareLeaders(Universe $universe, string $was, string $portId, int $now): void
    {
        $are = $this->leaders($universe);
        if ($are !== $was && $are !== '' && $was !== '') {
            $rule = \count($universe->leading()) > 1 ? ', merged '.$universe->rules()->merge->spelled() : '';
            $this->trace->note(Kind::Source, "leads {$universe->id}", $portId, Step::Changed, "{$this->named($universe)} is now led by {$are}{$rule}; before by {$was}", $now);
        }
    }

    /** @param string $levels of a packet with priorities instead of levels; '' for no longer */
    private function rankSlots(Universe $universe, Source $source, string $levels, int $now): bool
    {
        $had = $source->slotPriorities !== '';
        $priorities = $levels === '' ? '' : str_pad(substr($levels, 0, Frame::SLOTS), Frame::SLOTS, "\0");
        $changed = $universe->rankSlots($source, $priorities, $now);
        $this->dueAt = min($this->dueAt, $now + SlotPriorities::LOST_NANOS);
        if ($had !== ($priorities !== '')) {
            $this->trace->note(Kind::Source, "slots {$universe->id} {$source->key}", $source->portId, Step::Changed, "{$source->name} ".($had ? 'no longer gives' : 'gives')." single slots of {$this->named($universe)} priorities of their own", $now);
        }

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
                    $universe->rank($source, $mapping->priority ?? $source->priority, $now, $mapping->lastResort, $source->preview);
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
