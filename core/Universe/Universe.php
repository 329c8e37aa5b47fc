<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\Contributor;
use NimbleJunction\Core\Merge\Control;
use NimbleJunction\Core\Merge\Difference;
use NimbleJunction\Core\Merge\Layers;
use NimbleJunction\Core\Merge\Merger;
use NimbleJunction\Core\Merge\Source;

/**
 * The levels of one universe: its senders and what is ours, the rules that merge those in control, what is done to them on the way
 * out, and what is held by hand above that. When the last sender goes, its levels stay, fade, or are no longer sent. A sender's
 * frame is merged at once; what is ours is gathered by its layers, and merged once, by settle().
 */
final class Universe
{
    public const MOST_SOURCES = 200;

    /** Up to so many slots are merged one by one, more of them all at once: measured, the two cost the same at about 50. */
    private const FEW_SLOTS = 48;

    /** @var string 512 bytes: what leaves */
    public string $levels;

    /** Whether it has levels to send: anything ever gave it some, and it has not stopped since. */
    public bool $spoken = false;

    /** Rises with every change of what is kept of it over a restart, but for its holds. */
    public int $changes = 0;

    /** Rises whenever something is held or released. */
    public int $hands = 0;

    /** @var array<string, Source> by key, in the order in which they came */
    private array $sources = [];
    private readonly Layers $layers;
    private Control $control;
    public readonly Kept $kept;

    /** @var string 512 bytes: what is asked for, before the way out */
    private string $merged;
    private Merger $merger;

    /** Whether it has just become known: that is a change, also where all levels are zero. */
    private bool $fresh = false;

    /** Whether something on its way out is otherwise, and nobody has looked yet what comes of it. */
    private bool $isOtherwise = false;

    public function __construct(
        public readonly string $id,
        private Rules $rules = new Rules(),
        private readonly WayOut $wayOut = new WayOut(),
    ) {
        $this->merger = $rules->merger();
        $this->layers = new Layers($this->merger, $rules->latestMask(), $rules->wide);
        $this->control = Control::among([]);
        $this->kept = new Kept();
        $this->merged = $this->levels = $this->kept->below(false, $rules->defaults);
    }

    public function rules(): Rules
    {
        return $this->rules;
    }

    /**
     * Other rules, other stages; a fade that has begun goes on.
     *
     * @return bool whether what leaves has changed
     */
    public function use(Rules $rules, Stages $stages, int $now): bool
    {
        $before = $this->rules;
        $this->wayOut->use($stages);
        if ($rules->mergeAlike($before)) {
            $this->rules = $rules;
            if ($rules->defaults !== $before->defaults) {
                $this->mergeWhere(null);
            }

            return $this->lay();
        }
        $lost = $this->control->merge($this->merger, Bytes::$none);
        if ($this->control->hasSenders() && ! $this->layers->areNone()) {
            $lost = Control::among($this->sources, [], $before->chosen, $before->wide)->merge($this->merger, Bytes::$none);
        }
        $order = $this->merger->order();
        foreach ($this->sources as $source) {
            $levels = $before->swaps?->undo($source->levels) ?? $source->levels;
            $source->set($rules->swaps?->exchange($levels) ?? $levels);
        }
        $this->rules = $rules;
        $this->merger = $rules->merger();
        $this->layers->ruleBy($this->merger, $rules->latestMask(), $rules->wide);
        foreach ($this->contributors() as $contributor) {
            $this->merger->moved($contributor, Bytes::$none);
        }
        if ($order !== []) {
            $this->merger->reorder($order);
        }

        return $this->controlAnew($lost, $now);
    }

    /** @return array<string, Source> the senders, by key */
    public function sources(): array
    {
        return $this->sources;
    }

    /** What is ours: what is given there counts when it is settled. */
    public function layers(): Layers
    {
        return $this->layers;
    }

    /** @return list<Contributor> senders and what is ours, whether they lead or not */
    public function contributors(): array
    {
        return [...array_values($this->sources), ...$this->layers->all()];
    }

    /** Who is in control. */
    public function control(): Control
    {
        return $this->control;
    }

    /** @return bool whether what leaves has changed */
    public function add(Source $source, int $now): bool
    {
        $this->sources[$source->key] = $source;
        $this->merger->moved($source, Bytes::$none);

        return $this->controlAnew(Bytes::$none, $now);
    }

    /**
     * @param string $levels up to 512 bytes
     *
     * @return bool whether what leaves has changed
     */
    public function move(Source $source, string $levels): bool
    {
        if ($levels === $source->levels) {
            return false;
        }
        $before = $source->levels;
        $source->set($levels);
        $this->merger->moved($source, $before);
        if (! $this->control->has($source)) {
            ++$this->changes;

            return false;
        }
        $this->mergeWhere(Difference::slots($source->levels, $before, self::FEW_SLOTS));

        return $this->lay();
    }

    /** @return bool whether what leaves has changed */
    public function rank(Source $source, int $priority, int $now, bool $lastResort = false, bool $preview = false): bool
    {
        if ($source->priority === $priority && $source->lastResort === $lastResort && $source->preview === $preview) {
            return false;
        }
        $lost = $this->control->ofLastSender($source, $this->merger, $this->rules->wide);
        $source->priority = $priority;
        $source->lastResort = $lastResort;
        $source->preview = $preview;

        return $this->controlAnew($lost, $now);
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

        return $this->controlAnew(Bytes::$none, $now);
    }

    /** @return bool whether what leaves has changed */
    public function remove(Source $source, int $now): bool
    {
        $lost = $this->control->ofLastSender($source, $this->merger, $this->rules->wide);
        unset($this->sources[$source->key]);
        $this->merger->forget($source);

        return $this->controlAnew($lost, $now);
    }

    /** What masters or waves do on its way out is otherwise: settle() sees what comes of it, once a turn. */
    public function wayOutMoved(): void
    {
        $this->isOtherwise = true;
    }

    /**
     * What is ours has changed, or its way out: it is merged, and laid, once.
     *
     * @return bool whether what leaves has changed
     */
    public function settle(int $now): bool
    {
        if ($this->layers->areSettled()) {
            return $this->isOtherwise && $this->lay();
        }
        $haveOtherSlots = $this->layers->haveOtherSlots();
        $moved = $this->layers->settled(self::FEW_SLOTS);
        if ($haveOtherSlots) {
            return $this->controlAnew(Bytes::$none, $now);
        }
        $this->mergeWhere($moved);

        return $this->lay();
    }

    /**
     * A fade goes on.
     *
     * @return bool whether what leaves has changed
     */
    public function fadeOn(int $now): bool
    {
        if (! $this->kept->fadeOn($this->rules->wide, $now)) {
            return false;
        }
        $this->mergeWhere(null);

        return $this->lay();
    }

    /** Whether it spoke once, lost its last sender, and is silent because of that. */
    public function hasStopped(): bool
    {
        return $this->kept->stopped && ! $this->spoken;
    }

    /** @return bool whether what leaves has changed */
    public function hold(Hold ...$holds): bool
    {
        ++$this->hands;
        $this->wayOut->hold($holds, $this->rules->wide, $this->levels);
        $this->speakIfHeard();

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
        ++$this->hands;
        $this->wayOut->release($this->rules->wide, $first, $last);
        $hasSpoken = $this->spoken;
        $this->speakIfHeard();

        return $this->lay() || $hasSpoken !== $this->spoken;
    }

    /** What happens to its levels between what is asked for and what leaves. */
    public function wayOut(): WayOut
    {
        return $this->wayOut;
    }

    /** @return string 512 bytes: what is asked for, before the way out */
    public function merged(): string
    {
        return $this->merged;
    }

    /**
     * Puts back what was left of its senders before a restart; where senders are there again, that is nothing.
     *
     * @param string $levels 512 bytes
     */
    public function resume(string $levels, bool $stopped, ?Fade $fade, bool $isFilled = true): void
    {
        if (! $this->control->hasSenders()) {
            $this->kept->resume($levels, $stopped, $fade, $isFilled);
            $this->spoken = true;
            $this->speakIfHeard();
        }
        $this->mergeWhere(null);
        $this->lay();
    }

    /** @return array<string, string> for reorder(): 512 bytes by contributor, one a slot */
    public function order(): array
    {
        return $this->merger->order();
    }

    /** @param array<string, string> $order */
    public function reorder(array $order): void
    {
        $this->merger->reorder($order);
        $this->mergeWhere(null);
        $this->lay();
    }

    /** One byte a slot: the place in leading() counted from 1, 0 for none, 255 for held by hand. */
    public function winners(): string
    {
        return $this->wayOut->markHeld($this->control->winners($this->merger));
    }

    /** @return string 512 bytes: what would be asked for if an owner of ours gave nothing */
    public function without(string $owner): string
    {
        $control = Control::among($this->sources, $this->layers->without($owner), $this->rules->chosen, $this->rules->wide);

        return $control->merge($this->merger, $this->kept->below($control->hasSenders(), $this->rules->defaults));
    }

    /** Who gives a slot its level, and why, in words: every stage that did something. $slot is 0 to 511. */
    public function explain(int $slot): string
    {
        $explanation = new Explanation($this->rules, $this->merger, $this->control, $this->contributors(), $this->kept);

        return $explanation->stages($slot, $this->merged, $this->wayOut);
    }

    /**
     * Who is in control may have changed; with the last sender gone, the universe is lost.
     *
     * @param string $lost 512 bytes: what the senders were merged to, where they may be gone now
     */
    private function controlAnew(string $lost, int $now): bool
    {
        $hadSenders = $this->control->hasSenders();
        $this->control = Control::among($this->sources, $this->layers->all(), $this->rules->chosen, $this->rules->wide);
        if ($this->control->hasSenders()) {
            $this->kept->end();
        } elseif ($hadSenders) {
            $this->kept->lose($lost, $this->rules->whenLost, $now);
        }
        $hasSpoken = $this->spoken;
        $this->spoken = $this->spoken || $this->control->leading !== [];
        $this->speakIfHeard();
        $this->fresh = $this->fresh || (! $hasSpoken && $this->spoken);
        $this->mergeWhere(null);

        return $this->lay() || $hasSpoken !== $this->spoken;
    }

    /** A universe that has stopped speaks as long as something of ours is there, or a hand. */
    private function speakIfHeard(): void
    {
        $isHeard = ! $this->layers->areNone() || $this->wayOut->holds() !== [];
        if ($this->kept->stopped || $isHeard) {
            $this->spoken = $isHeard || $this->control->hasSenders();
        }
    }

    /** @param list<int>|null $slots those that may have moved; null for any */
    private function mergeWhere(?array $slots): void
    {
        ++$this->changes;
        $this->merged = $slots === null
            ? $this->control->merge($this->merger, $this->kept->below($this->control->hasSenders(), $this->rules->defaults))
            : $this->control->mergeSlots($this->merger, $this->merged, $this->rules->wide->whole($slots));
    }

    /** @return bool whether what leaves has changed: something on its way out has */
    public function lay(): bool
    {
        $this->isOtherwise = false;
        $levels = $this->wayOut->apply($this->merged);
        if ($levels === $this->levels && ! $this->fresh) {
            return false;
        }
        $this->fresh = false;
        $this->levels = $levels;

        return true;
    }
}
