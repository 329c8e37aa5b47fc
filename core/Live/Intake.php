<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Merge\SlotPriorities;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Plan\Mapping;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\Stream;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Trigger\SourceTrigger;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Universe\Universe;

/** Takes frames of senders into universes: gets to know a source, keeps it alive, lets it go. */
final class Intake
{
    /** When a source may be lost, or a fade go on, because of what was taken in since this was last set. */
    public int $dueAt = \PHP_INT_MAX;

    private Plan $plan;
    private readonly EarlyPriorities $early;

    /**
     * @param \Closure(string): Activity $activity of a port
     * @param \Closure(Occurred): void $happened a source of levels came or went
     */
    public function __construct(
        private readonly SourceTrace $trace,
        private readonly \Closure $activity,
        private readonly \Closure $happened,
    ) {
        $this->plan = Plan::empty();
        $this->early = new EarlyPriorities();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
    }

    /** A frame that waits for synchronisation says all the same that its sender is there. */
    public function keepAlive(Universe $universe, Mapping $mapping, Frame $frame, int $now): void
    {
        $source = $universe->sources()[$mapping->portId."\0".$frame->source] ?? null;
        if ($source !== null) {
            $source->heardAt = $now;
        }
    }

    /** @return bool whether the universe's levels changed */
    public function hear(Universe $universe, Mapping $mapping, Frame $frame, string $from, int $now): bool
    {
        $key = $mapping->portId."\0".$frame->source;
        $source = $universe->sources()[$key] ?? null;
        if ($frame->startCode !== 0 && $frame->startCode !== SlotPriorities::START_CODE) {
            return false;
        }
        if ($source === null && $frame->startCode !== 0) {
            $this->early->keep("{$universe->id} {$key}", $frame->levels, $now);

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
                    $source->rhythm->missed($step - 1);
                    ($this->activity)($mapping->portId)->missed($step - 1);
                }
            }
            $source->sequence = $frame->sequence;
        }
        if ($frame->startCode !== 0) {
            return $this->rankSlots($universe, $source, $frame->levels, $now);
        }
        if ($frame->ended) {
            $this->stream($universe, $source)->isOver = true;

            return $this->lose($universe, $source, 'says that it has ended', $now);
        }
        $source->heardAt = $now;
        ++$source->frames;
        if ($source->rhythm->lastAt() === 0) {
            // After a restart it is known, and how it sends is not.
            $source->rhythm = $this->stream($universe, $source)->rhythm;
        }
        $source->rhythm->beat($now);
        $source->address = $from;
        if ($frame->name !== '' && $frame->name !== $source->name) {
            $source->name = $frame->name;
        }
        $changed = false;
        $priority = $mapping->priorityOf($frame->priority, $from);
        if (
            $priority !== $source->priority
            || $mapping->lastResort !== $source->lastResort
            || $frame->preview !== $source->preview
        ) {
            $was = SourceTrace::leaders($universe);
            $before = $source->priority;
            $changed = $universe->rank($source, $priority, $now, $mapping->lastResort, $frame->preview);
            if ($priority !== $before) {
                $this->trace->hasAnotherPriority($universe, $source, $before, $now);
            }
            $this->trace->leads($universe, $was, $source->portId, $now);
        }

        return $universe->move($source, $this->inOutputSlots($universe, $frame->levels)) || $changed;
    }

    private function welcome(Universe $universe, string $key, Mapping $mapping, Frame $frame, string $from, int $now): bool
    {
        $others = $universe->sources();
        $name = $frame->name !== '' ? $frame->name : $this->plan->portName($mapping->portId);
        if (\in_array($name, array_map(static fn(Source $other): string => $other->name, $others), true)) {
            $name = "{$name} at {$from}";
        }
        $source = new Source(
            $key,
            $mapping->portId,
            $frame->protocol,
            $name,
            $from,
            $mapping->priorityOf($frame->priority, $from),
            $mapping->lastResort,
            lostAfter: $mapping->lostAfter,
        );
        $source->rhythm = $this->stream($universe, $source)->rhythm;
        $source->preview = $frame->preview;
        if (\count($others) >= Universe::MOST_SOURCES && ! $this->makeRoom($universe, $source, $now)) {
            $this->trace->foundNoRoom($universe, $source, $now);

            return false;
        }
        $source->set($this->inOutputSlots($universe, $frame->levels));
        $early = $this->early->take("{$universe->id} {$key}", $now);
        if ($early !== '') {
            $source->slotPriorities = $this->inOutputSlots($universe, self::padded($early));
            $source->slotPrioritiesAt = $now;
        }
        $source->sequence = $frame->sequence;
        $source->heardAt = $now;
        $source->frames = 1;
        $source->rhythm->beat($now);
        $was = SourceTrace::leaders($universe);
        $changed = $universe->add($source, $now);
        $this->dueAt = min($this->dueAt, $source->lostAt());
        $this->trace->came($universe, $source, \count($others) + 1, $now);
        $this->trace->leads($universe, $was, $mapping->portId, $now);
        $this->tell($universe, $source, 'gained');

        return $changed;
    }

    /** @return bool whether the universe's levels changed */
    public function lose(Universe $universe, Source $source, string $why, int $now): bool
    {
        $was = SourceTrace::leaders($universe);
        $changed = $universe->remove($source, $now);
        $this->dueAt = min($this->dueAt, $universe->kept->fadeDueAt($now));
        $this->trace->went($universe, $source, $why, $now);
        $this->trace->leads($universe, $was, $source->portId, $now);
        $source->rhythm->outages->lost(SourceTrace::meanwhile($universe, $this->plan->universeName($universe->id)));
        $this->tell($universe, $source, 'lost');

        return $changed;
    }

    /** What its port says now of how long it may be silent. */
    public function useTimeOut(Universe $universe, Source $source, Mapping $mapping): void
    {
        if ($source->lostAfter !== $mapping->lostAfter) {
            $source->lostAfter = $mapping->lostAfter;
            $this->stream($universe, $source);
            $this->dueAt = min($this->dueAt, $source->lostAt());
        }
    }

    private function stream(Universe $universe, Source $source): Stream
    {
        return ($this->activity)($source->portId)->streams->of(
            "{$universe->id} {$source->key}",
            $source->name,
            $this->plan->universeName($universe->id),
            $source->lostAfter ?? $source->protocol->sourceLossNanos(),
        );
    }

    private function tell(Universe $universe, Source $source, string $state): void
    {
        $fields = ['universe' => $universe->id, 'source' => $source->name, 'port' => $source->portId, 'state' => $state];
        ($this->happened)(new Occurred(SourceTrigger::what($universe->id, $state), $fields));
    }

    /** @param string $levels of a packet with priorities instead of levels; '' for no longer */
    public function rankSlots(Universe $universe, Source $source, string $levels, int $now): bool
    {
        $had = $source->slotPriorities !== '';
        $priorities = $levels === '' ? '' : $this->inOutputSlots($universe, self::padded($levels));
        $changed = $universe->rankSlots($source, $priorities, $now);
        $this->dueAt = min($this->dueAt, $now + SlotPriorities::LOST_NANOS);
        if ($had !== ($priorities !== '')) {
            $this->trace->ranksSlots($universe, $source, ! $had, $now);
        }

        return $changed;
    }

    /**
     * Of too many sources that of the lowest priority gives way, the one that was heard least lately: a desk that is to
     * lead gets in.
     */
    private function makeRoom(Universe $universe, Source $newcomer, int $now): bool
    {
        $lowest = null;
        foreach ($universe->sources() as $source) {
            if ($source->rank() >= $newcomer->rank()) {
                continue;
            }
            if ($lowest === null || [$source->rank(), $source->heardAt] < [$lowest->rank(), $lowest->heardAt]) {
                $lowest = $source;
            }
        }
        if ($lowest === null) {
            return false;
        }
        $this->lose(
            $universe,
            $lowest,
            "gave way to {$newcomer->name}, which has a higher priority: ".Universe::MOST_SOURCES.' sources are as many as are merged',
            $now,
        );

        return true;
    }

    /** @return string 512 bytes */
    private static function padded(string $levels): string
    {
        return str_pad(substr($levels, 0, Frame::SLOTS), Frame::SLOTS, "\0");
    }

    /** What changes places does so as it comes in: from here on slots are those of the output. */
    private function inOutputSlots(Universe $universe, string $bytes): string
    {
        $swaps = $universe->rules()->swaps;

        return $swaps === null ? $bytes : $swaps->exchange($bytes);
    }
}
