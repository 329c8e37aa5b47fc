<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * The levels of one universe: its sources, the rule that merges those of the
 * highest priority, and what is held by hand above them. When the last source
 * goes, its levels stay, fade, or are no longer sent.
 */
final class Universe
{
    public const MOST_SOURCES = 16;
    public const ROUTES = 'routes';

    /** Up to so many slots are merged one by one, more of them all at once: measured, the two cost the same at about 50. */
    private const FEW_SLOTS = 48;

    /** @var string 512 bytes: what leaves */
    public string $levels;

    /** Whether anything ever gave this universe a level; before that nothing is sent. */
    public bool $spoken = false;

    /** @var array<string, Source> by key, in the order in which they came */
    private array $sources = [];

    /** @var list<Source> those of the highest priority, and the sparse ones */
    private array $leading = [];

    /** @var array<int, Hold> by slot */
    private array $holds = [];

    /** @var string 512 bytes: merged, before holds */
    private string $merged;
    private Merger $merger;
    private WhenLost $whenLost;
    private ?Fade $fade = null;
    private bool $stopped = false;

    /** Whether any source sends the whole universe. */
    private bool $hasWhole = false;

    public function __construct(public readonly string $id, private MergeRule $rule)
    {
        $this->merger = $rule->merger();
        $this->whenLost = new WhenLost();
        $this->merged = $this->levels = str_repeat("\0", Frame::SLOTS);
    }

    public function rule(): MergeRule
    {
        return $this->rule;
    }

    public function useRule(MergeRule $rule): void
    {
        if ($rule === $this->rule) {
            return;
        }
        $this->rule = $rule;
        $merger = $rule->merger();
        foreach ($this->sources as $source) {
            $merger->moved($source, str_repeat("\0", Frame::SLOTS), $source->heardAt);
        }
        $this->merger = $merger;
        $this->remerge();
    }

    /** Holds from the next loss on; a fade that has begun goes on. */
    public function useLoss(WhenLost $whenLost): void
    {
        $this->whenLost = $whenLost;
    }

    public function source(string $key): ?Source
    {
        return $this->sources[$key] ?? null;
    }

    /** @return array<string, Source> */
    public function sources(): array
    {
        return $this->sources;
    }

    /** @return list<Source> */
    public function leading(): array
    {
        return $this->leading;
    }

    public function isFull(): bool
    {
        return \count($this->sources) >= self::MOST_SOURCES;
    }

    /** @return bool whether what leaves has changed */
    public function add(Source $source, int $now): bool
    {
        $this->sources[$source->key] = $source;
        $this->speak();
        $this->merger->moved($source, str_repeat("\0", Frame::SLOTS), $now);
        $this->findLeading();

        return $this->onlySparse() ? $this->overlay($source, str_repeat("\0", Frame::SLOTS)) : $this->remerge();
    }

    /**
     * @param string $levels up to 512 bytes
     *
     * @return bool whether what leaves has changed
     */
    public function move(Source $source, string $levels, int $now): bool
    {
        if ($levels === $source->levels) {
            return false;
        }
        $before = $source->levels;
        $source->set($levels);
        $this->merger->moved($source, $before, $now);
        if ($this->onlySparse()) {
            return $this->overlay($source, $before);
        }
        if (! \in_array($source, $this->leading, true)) {
            return false;
        }
        $slots = Difference::slots($source->levels, $before, self::FEW_SLOTS);
        $this->merged = $slots === null
            ? $this->merger->merge($this->leading)
            : $this->merger->mergeSlots($this->merged, $this->leading, $slots);

        return $this->lay();
    }

    /** @return bool whether what leaves has changed */
    public function rank(Source $source, ?int $priority, bool $lastResort = false): bool
    {
        if ($source->priority === $priority && $source->lastResort === $lastResort) {
            return false;
        }
        $source->priority = $priority;
        $source->lastResort = $lastResort;
        $this->findLeading();

        return $this->remerge();
    }

    /** @return bool whether what leaves has changed */
    public function remove(Source $source, int $now): bool
    {
        $wasAlone = $this->onlySparse();
        unset($this->sources[$source->key]);
        $this->merger->forget($source);
        $this->findLeading();

        return ! $wasAlone && $this->onlySparse() ? $this->beLost($now) : $this->remerge();
    }

    /**
     * A fade goes on.
     *
     * @return bool whether what leaves has changed
     */
    public function fadeOn(int $now): bool
    {
        if ($this->fade === null) {
            return false;
        }
        $this->merged = $this->fade->levels($now);
        if ($this->fade->isOver($now)) {
            $this->fade = null;
        }

        return $this->lay();
    }

    /** Whether it spoke once, lost its last source, and is silent because of that. */
    public function hasStopped(): bool
    {
        return $this->stopped && ! $this->spoken;
    }

    /** When fadeOn() is to be called next; PHP_INT_MAX while nothing fades. */
    public function fadeDueAt(int $now): int
    {
        return $this->fade === null ? \PHP_INT_MAX : $now + Fade::STEP_NANOS;
    }

    /** @return bool whether what leaves has changed */
    public function hold(Hold $hold): bool
    {
        $this->holds[$hold->slot] = $hold;
        // A hold alone does not end a stop: when it is over there is silence again.
        $this->spoken = true;

        return $this->lay();
    }

    /**
     * @param int|null $slot 0 to 511, null for all
     *
     * @return bool whether what leaves has changed
     */
    public function release(?int $slot = null): bool
    {
        if ($slot === null) {
            $this->holds = [];
        } else {
            unset($this->holds[$slot]);
        }
        if ($this->stopped && $this->holds === []) {
            $this->spoken = false;
            $this->lay();

            return true;
        }

        return $this->lay();
    }

    /** @return array<int, Hold> by slot */
    public function holds(): array
    {
        return $this->holds;
    }

    public function merged(): string
    {
        return $this->merged;
    }

    /** Puts back the levels that left before a restart, for as long as no source is there. */
    public function resume(string $merged): void
    {
        $this->merged = str_pad(substr($merged, 0, Frame::SLOTS), Frame::SLOTS, "\0");
        $this->spoken = true;
        $this->lay();
    }

    /** One byte a slot: the place in leading() counted from 1, 0 for none, 255 for held by hand. */
    public function winners(): string
    {
        $winners = $this->merger->winners($this->leading);
        foreach ($this->holds as $slot => $hold) {
            $winners[$slot] = "\xFF";
        }

        return $winners;
    }

    /** Who gives a slot its level, and why, in words. $slot is 0 to 511. */
    public function explain(int $slot, int $now): string
    {
        $hold = $this->holds[$slot] ?? null;
        if ($hold !== null) {
            return "Held by hand at {$hold->level} by {$hold->by}: a hold is above all sources.";
        }
        $place = \ord($this->merger->winners($this->leading)[$slot]);
        $winner = $this->leading[$place - 1] ?? null;
        if ($winner === null) {
            return match (true) {
                $this->sources !== [] => 'No leading source raises this slot.',
                $this->spoken, $this->stopped => "No source is left: {$this->whenLost->words()}.",
                default => 'No source has been heard yet.',
            };
        }
        $beaten = array_filter($this->sources, fn(Source $source): bool => ! \in_array($source, $this->leading, true));
        $rivals = array_filter($beaten, static fn(Source $source): bool => $source->lastResort === $winner->lastResort);
        $reason = match (true) {
            $winner->isSparse() || $beaten === [] => $this->merger->reason($this->leading, $winner, $slot, $now),
            $rivals === [] => 'what is there besides is a source of last resort',
            default => "priority {$winner->priority} is above ".max(array_map(static fn(Source $source): int => (int) $source->priority, $rivals)),
        };

        return "{$winner->name}: {$reason}.";
    }

    private function findLeading(): void
    {
        $highest = \PHP_INT_MIN;
        foreach ($this->sources as $source) {
            $highest = $source->isSparse() ? $highest : max($highest, $source->rank());
        }
        $this->leading = array_values(array_filter(
            $this->sources,
            static fn(Source $source): bool => $source->isSparse() || $source->rank() === $highest,
        ));
        $this->hasWhole = $highest !== \PHP_INT_MIN;
    }

    /** No source sends the whole universe any more: its last levels stay below what is set slot by slot. */
    private function onlySparse(): bool
    {
        return ! $this->hasWhole;
    }

    private function overlay(Source $source, string $before): bool
    {
        foreach (Difference::slots($source->levels, $before, Frame::SLOTS) ?? [] as $slot) {
            $this->merged[$slot] = $source->levels[$slot];
            $this->fade?->leave($slot, $source->levels[$slot]);
        }
        $this->speak();

        return $this->lay();
    }

    private function speak(): void
    {
        $this->spoken = true;
        $this->stopped = false;
    }

    private function remerge(): bool
    {
        if ($this->onlySparse()) {
            return false;
        }
        $this->fade = null;
        $this->merged = $this->merger->merge($this->leading);

        return $this->lay();
    }

    private function beLost(int $now): bool
    {
        if ($this->whenLost->rule === LossRule::Fade) {
            $this->fade = new Fade($this->merged, $now, $this->whenLost->fadeNanos);
        } elseif ($this->whenLost->rule === LossRule::Stop) {
            // What is held by hand is still sent, and nothing else with it.
            $this->merged = str_repeat("\0", Frame::SLOTS);
            $this->spoken = $this->holds !== [];
            $this->stopped = true;
            $this->lay();

            return true;
        }

        return $this->lay();
    }

    private function lay(): bool
    {
        $levels = $this->merged;
        foreach ($this->holds as $slot => $hold) {
            $levels[$slot] = \chr($hold->level);
        }
        if ($levels === $this->levels) {
            return false;
        }
        $this->levels = $levels;

        return true;
    }
}
