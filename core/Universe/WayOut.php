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
    private ?Shaping $shaping = null;
    private ?Safety $safety = null;
    private ?Dimming $dimming = null;

    /** @var list<Aim> */
    private array $aims = [];

    public function __construct(private readonly Holds $holds = new Holds())
    {
    }

    /** @param list<Aim> $aims */
    public function use(?Shaping $shaping, ?Safety $safety, array $aims, ?Dimming $dimming = null): void
    {
        $this->aims = $aims;
        $this->dimming = $dimming;
        $this->shaping = $shaping;
        $this->safety = $safety;
    }

    /**
     * @param string $merged 512 bytes: what is asked for
     *
     * @return string 512 bytes: what leaves
     */
    public function apply(string $merged): string
    {
        $levels = $this->dimming?->apply($merged) ?? $merged;
        $levels = $this->shaping?->apply($levels) ?? $levels;
        foreach ($this->aims as $aim) {
            $levels = $aim->turn($levels);
        }
        $levels = $this->holds->lay($levels);
        $levels = $this->dimming?->applyHeld($levels, $this->holds->all()) ?? $levels;
        $levels = $this->safety?->apply($levels, $this->holds->all()) ?? $levels;
        foreach ($this->aims as $aim) {
            $levels = $aim->keep($levels);
        }

        return $levels;
    }

    /**
     * The virtual intensities are otherwise.
     *
     * @param string $levels 512 bytes: the intensities, each in its slots
     * @param array<int, Hold> $holds on those slots
     */
    public function dim(string $levels, array $holds): void
    {
        $this->dimming?->use($levels, $holds);
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

    /** @param string $winners one byte a slot; 255 is put where somebody holds it */
    public function markHeld(string $winners): string
    {
        return $this->holds->lay($winners, "\xFF");
    }

    /** Whether a slot, 0 to 511, is never driven but by a hold that unlocks it. */
    public function guards(int $slot): bool
    {
        return $this->safety?->guards($slot) ?? false;
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
        $asked = $wide->value($this->dimming?->apply($merged) ?? $merged, $slot);

        return [
            $this->dimming?->explain($slot) ?? '',
            $this->shaping?->explain($slot, $asked) ?? '',
            ...array_map(static fn(Aim $aim): string => $aim->explain($slot), $this->aims),
            $this->holds->explain($slot),
            $this->safety?->explain($slot, $this->holds->all()[$slot] ?? null) ?? '',
        ];
    }
}
