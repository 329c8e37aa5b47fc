<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * The levels of one universe: its sources, the rules that merge those that
 * lead, what is done to them on the way out, and what is held by hand above
 * that. When the last source goes, its levels stay, fade, or are no longer sent.
 */
final class Universe
{
    public const MOST_SOURCES = 200;
    public const ROUTES = 'routes';

    /** Up to so many slots are merged one by one, more of them all at once: measured, the two cost the same at about 50. */
    private const FEW_SLOTS = 48;

    /** @var string 512 bytes: what leaves */
    public string $levels;

    /** Whether anything ever gave this universe a level; before that nothing is sent. */
    public bool $spoken = false;

    /** @var array<string, Source> by key, in the order in which they came */
    private array $sources = [];
    private Lead $lead;
    private readonly Holds $holds;

    /** @var string 512 bytes: merged, before holds */
    private string $merged;
    private Merger $merger;
    private ?Shaping $shaping = null;
    private ?Fade $fade = null;
    private bool $stopped = false;

    /** Whether it has just become known: that is a change, also where all levels are zero. */
    private bool $fresh = false;

    public function __construct(public readonly string $id, private Rules $rules = new Rules())
    {
        $this->merger = $rules->merger();
        $this->lead = Lead::among([]);
        $this->holds = new Holds();
        $this->merged = $this->levels = str_repeat("\0", Frame::SLOTS);
    }

    public function rules(): Rules
    {
        return $this->rules;
    }

    /**
     * Other rules, other shaping; a fade that has begun goes on.
     *
     * @return bool whether what leaves has changed
     */
    public function use(Rules $rules, ?Shaping $shaping, int $now): bool
    {
        $before = $this->rules;
        $this->rules = $rules;
        $this->shaping = $shaping;
        if ($rules->merge === $before->merge && $rules->latest === $before->latest && $rules->chosen === $before->chosen) {
            return $this->lay();
        }
        $this->merger = $rules->merger();
        foreach ($this->sources as $source) {
            $this->merger->moved($source, str_repeat("\0", Frame::SLOTS), $source->heardAt);
        }

        return $this->leadAnew($now) || $this->lay();
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
        return $this->lead->sources;
    }

    public function isFull(): bool
    {
        return \count($this->sources) >= self::MOST_SOURCES;
    }

    /** @return bool whether what leaves has changed */
    public function add(Source $source, int $now): bool
    {
        $this->sources[$source->key] = $source;
        $this->merger->moved($source, str_repeat("\0", Frame::SLOTS), $now);
        $this->lead = Lead::among($this->sources, $this->rules->chosen);
        if (! $this->lead->has($source)) {
            return false;
        }
        $this->speak();

        return $this->lead->hasWhole ? $this->remerge() : $this->overlay($source, str_repeat("\0", Frame::SLOTS));
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
        if (! $this->lead->has($source)) {
            return false;
        }
        if (! $this->lead->hasWhole) {
            return $this->overlay($source, $before);
        }
        $this->merged = $this->lead->mergeSlots($this->merger, $this->merged, Difference::slots($source->levels, $before, self::FEW_SLOTS));

        return $this->lay();
    }

    /** @return bool whether what leaves has changed */
    public function rank(Source $source, ?int $priority, int $now, bool $lastResort = false, bool $preview = false): bool
    {
        if ($source->priority === $priority && $source->lastResort === $lastResort && $source->preview === $preview) {
            return false;
        }
        $source->priority = $priority;
        $source->lastResort = $lastResort;
        $source->preview = $preview;

        return $this->leadAnew($now);
    }

    /**
     * A source gives its slots priorities of their own, or no longer does.
     *
     * @param string $priorities 512 bytes; '' for none
     *
     * @return bool whether what leaves has changed
     */
    public function rankSlots(Source $source, string $priorities, int $now): bool
    {
        $source->slotPrioritiesAt = $now;
        if ($priorities === $source->slotPriorities) {
            return false;
        }
        $source->slotPriorities = $priorities;

        return $this->leadAnew($now);
    }

    /** @return bool whether what leaves has changed */
    public function remove(Source $source, int $now): bool
    {
        unset($this->sources[$source->key]);
        $this->merger->forget($source);

        return $this->leadAnew($now);
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
    public function hold(Hold ...$holds): bool
    {
        array_map($this->holds->set(...), $holds);
        // A hold alone does not end a stop: when it is over there is silence again.
        $this->spoken = true;

        return $this->lay();
    }

    /**
     * @param int|null $first 0 to 511, null for all
     * @param int|null $last 0 to 511, null for $first alone
     *
     * @return bool whether what leaves has changed
     */
    public function release(?int $first = null, ?int $last = null): bool
    {
        $this->holds->release($first, $last);
        if ($this->stopped && $this->holds->all() === []) {
            $this->spoken = false;
            $this->lay();

            return true;
        }

        return $this->lay();
    }

    /** @return array<int, Hold> by slot */
    public function holds(): array
    {
        return $this->holds->all();
    }

    public function merged(): string
    {
        return $this->merged;
    }

    /**
     * Puts back what left before a restart.
     *
     * @param string $merged 512 bytes
     */
    public function resume(string $merged, bool $stopped, ?Fade $fade): void
    {
        if ($this->lead->hasWhole) {
            $this->remerge();

            return;
        }
        $this->merged = $merged;
        $this->spoken = ! $stopped;
        $this->stopped = $stopped;
        $this->fade = $fade;
        $this->lay();
    }

    public function fade(): ?Fade
    {
        return $this->fade;
    }

    /** @return array<string, string> for reorder(): 512 bytes by source, one a slot */
    public function order(): array
    {
        return $this->merger->order();
    }

    /** @param array<string, string> $order */
    public function reorder(array $order, int $now): void
    {
        $this->merger->reorder($order, $now);
        $this->leadAnew($now);
    }

    /** One byte a slot: the place in leading() counted from 1, 0 for none, 255 for held by hand. */
    public function winners(): string
    {
        $winners = $this->lead->winners($this->merger);

        return $this->holds->lay($this->shaping?->exchange($winners) ?? $winners, "\xFF");
    }

    /** Who gives a slot its level, and why, in words. $slot is 0 to 511. */
    public function explain(int $slot, int $now): string
    {
        $hold = $this->holds->on($slot);
        if ($hold !== null) {
            return "Held by hand at {$hold->level} by {$hold->by}: a hold is above all sources.";
        }
        $from = $this->shaping?->cameFrom($slot) ?? $slot;

        return (new Explanation($this->rules, $this->merger, $this->lead, $this->sources))->of($from, $this->spoken || $this->stopped, $now)
            .($this->shaping?->explain($slot, \ord($this->merged[$from])) ?? '');
    }

    /** Who leads may have changed; with the last leading source gone, the universe is lost. */
    private function leadAnew(int $now): bool
    {
        $hadWhole = $this->lead->hasWhole;
        $this->lead = Lead::among($this->sources, $this->rules->chosen);

        return $hadWhole && ! $this->lead->hasWhole ? $this->beLost($now) : $this->remerge();
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
        $this->fresh = $this->fresh || ! $this->spoken;
        $this->spoken = true;
        $this->stopped = false;
    }

    private function remerge(): bool
    {
        if (! $this->lead->hasWhole) {
            return false;
        }
        $this->speak();
        $this->fade = null;
        $this->merged = $this->lead->merge($this->merger);

        return $this->lay();
    }

    private function beLost(int $now): bool
    {
        $whenLost = $this->rules->whenLost;
        if ($whenLost->rule === LossRule::Fade) {
            $this->fade = new Fade($this->merged, $whenLost->look, $now, $whenLost->fadeNanos);
        } elseif ($whenLost->rule === LossRule::Stop) {
            // What is held by hand is still sent, and nothing else with it.
            $this->merged = str_repeat("\0", Frame::SLOTS);
            $this->spoken = $this->holds->all() !== [];
            $this->stopped = true;
            $this->lay();

            return true;
        }

        return $this->lay();
    }

    private function lay(): bool
    {
        $levels = $this->holds->lay($this->shaping?->apply($this->merged) ?? $this->merged);
        if ($levels === $this->levels && ! $this->fresh) {
            return false;
        }
        $this->fresh = false;
        $this->levels = $levels;

        return true;
    }
}
