<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\WideParameters;

/** What is held by hand in one universe, above all merging: one hold a parameter, the last one wins. */
final class Holds
{
    /** @var array<int, Hold> by slot */
    private array $holds = [];

    /**
     * A hold on one slot of a wide parameter freezes its other slots at what leaves.
     *
     * @param array<Hold> $holds
     * @param string $levels 512 bytes: what leaves now
     */
    public function set(array $holds, WideParameters $wide, string $levels): void
    {
        $named = [];
        foreach ($holds as $hold) {
            $named[$hold->slot] = $hold;
        }
        foreach ($named as $hold) {
            foreach ($wide->slots($hold->slot) as $slot) {
                $this->holds[$slot] = $named[$slot] ?? new Hold(
                    $slot,
                    \ord($levels[$slot]),
                    $hold->by,
                    $hold->until,
                    $hold->isUnlocked,
                    $hold->lights,
                );
            }
        }
    }

    /**
     * Lets go of slots, and of all of a parameter that one of them belongs to.
     *
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     */
    public function release(WideParameters $wide, ?int $first = null, ?int $last = null): void
    {
        if ($first === null) {
            $this->holds = [];

            return;
        }
        foreach ($wide->whole(range($first, $last ?? $first)) as $slot) {
            unset($this->holds[$slot]);
        }
    }

    /** @return array<int, Hold> by slot */
    public function all(): array
    {
        return $this->holds;
    }

    /**
     * @param string $levels 512 bytes
     * @param string|null $mark what lies on held slots instead of their levels
     */
    public function lay(string $levels, ?string $mark = null): string
    {
        foreach ($this->holds as $slot => $hold) {
            $levels[$slot] = $mark ?? \chr($hold->level);
        }

        return $levels;
    }

    /** Who holds a slot, in words; '' for nobody. */
    public function explain(int $slot): string
    {
        $hold = $this->holds[$slot] ?? null;

        return $hold === null ? '' : "Held by hand at {$hold->level} by {$hold->by}: a hold is above all that.";
    }
}
