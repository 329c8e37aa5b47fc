<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\WideParameters;

/**
 * What happens to levels between what is asked for and what leaves, in its order: virtual intensities, curves and limits,
 * how fixtures hang, then what people hold, then what is never driven, and the limits that no fixture leaves.
 */
final class WayOut
{
    private Stages $stages;

    /** What waves do, after merging and before everything else. */
    public readonly Modifiers $modifiers;

    public function __construct(private readonly Holds $holds = new Holds())
    {
        $this->modifiers = new Modifiers();
        $this->stages = new Stages();
    }

    public function use(Stages $stages): void
    {
        $this->stages = $stages;
    }

    /**
     * @param string $merged 512 bytes: what is asked for
     * @param bool $isMastered whether masters take away what they do: copies are taken without that, so that they scale once
     *
     * @return string 512 bytes: what leaves
     */
    public function apply(string $merged, bool $isMastered = true): string
    {
        $levels = $this->modifiers->areNone() ? $merged : $this->modifiers->apply($merged);
        $levels = $this->stages->dimming?->apply($levels) ?? $levels;
        $levels = $isMastered ? $this->stages->mastering?->apply($levels) ?? $levels : $levels;
        $levels = $this->stages->shaping?->apply($levels) ?? $levels;
        foreach ($this->stages->aims as $aim) {
            $levels = $aim->turn($levels);
        }
        $levels = $this->holds->lay($levels);
        $levels = $this->stages->dimming?->applyHeld($levels, $this->holds->all()) ?? $levels;
        $levels = $this->stages->safety?->apply($levels, $this->holds->all()) ?? $levels;
        foreach ($this->stages->aims as $aim) {
            $levels = $aim->keep($levels);
        }

        return $levels;
    }

    /**
     * What would leave if no master took anything away.
     *
     * @param string $merged 512 bytes: what is asked for
     * @param string $levels 512 bytes: what leaves
     *
     * @return string 512 bytes
     */
    public function unmastered(string $merged, string $levels): string
    {
        return $this->mastering()?->isFull() === false ? $this->apply($merged, false) : $levels;
    }

    /**
     * The virtual intensities are otherwise.
     *
     * @param string $levels 512 bytes: the intensities, each in its slots
     * @param array<int, Hold> $holds on those slots
     */
    public function dim(string $levels, array $holds): void
    {
        $this->stages->dimming?->use($levels, $holds);
    }

    /** The masters over what leaves; null where there is no intensity. */
    public function mastering(): ?Mastering
    {
        return $this->stages->mastering;
    }

    /**
     * @param array<Hold> $holds
     * @param string $levels 512 bytes: what leaves now
     */
    public function hold(array $holds, WideParameters $wide, string $levels): void
    {
        $this->holds->set($holds, $wide, $levels);
    }

    /**
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     */
    public function release(WideParameters $wide, ?int $first, ?int $last): void
    {
        $this->holds->release($wide, $first, $last);
    }

    /** @return array<int, Hold> by slot */
    public function holds(): array
    {
        return $this->holds->all();
    }

    /** @return array<int, Hold> those that light a fixture, by slot */
    public function lighting(string $fixture): array
    {
        return array_filter($this->holds->all(), static fn(Hold $hold): bool => $hold->lights === $fixture);
    }

    /**
     * @param string $levels 512 bytes
     *
     * @return string the same with what people hold
     */
    public function heldIn(string $levels): string
    {
        return $this->holds->lay($levels);
    }

    /** @param string $winners one byte a slot; 255 is put where somebody holds it */
    public function markHeld(string $winners): string
    {
        return $this->holds->lay($winners, "\xFF");
    }

    /** Whether a slot, 0 to 511, is never driven but by a hold that unlocks it. */
    public function guards(int $slot): bool
    {
        return $this->stages->safety?->guards($slot) ?? false;
    }

    /**
     * Every stage that did something, in words.
     *
     * @param string $merged 512 bytes: what is asked for
     *
     * @return list<string>
     */
    public function explain(int $slot, string $merged, WideParameters $wide): array
    {
        $asked = $this->modifiers->apply($merged);
        $asked = $this->stages->dimming?->apply($asked) ?? $asked;
        $asked = $wide->value($this->stages->mastering?->apply($asked) ?? $asked, $slot);

        return [
            $this->modifiers->explain($slot),
            $this->stages->dimming?->explain($slot) ?? '',
            $this->stages->mastering?->explain($slot) ?? '',
            $this->stages->shaping?->explain($slot, $asked) ?? '',
            ...array_map(static fn(Aim $aim): string => $aim->explain($slot), $this->stages->aims),
            $this->holds->explain($slot),
            $this->stages->safety?->explain($slot, $this->holds->all()[$slot] ?? null) ?? '',
        ];
    }
}
