<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * All contributions of ours of one priority, folded into one: for the merger it
 * costs as much as one sender, however many owners give it levels. Where owners
 * share a slot the rule of that slot decides among them too; of those that are set
 * by acts only the last act takes part, since whoever sends "off" means it.
 */
final class Layer extends Contributor
{
    /** @var string 512 bytes: 255 in the slots that anybody gives */
    public string $mask;

    /** @var array<string, Contribution> by owner, in the order in which they came */
    private array $given = [];

    /** @var array<int, list<string>> owners of a slot that has several, by slot; the one that changed it last is last */
    private array $shared = [];

    /**
     * @var array<int, array<string, list<string>>> who had changed a slot after an owner, when another of the layer took it:
     * by slot and owner
     */
    private array $ceded = [];

    /**
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param string $latest 512 bytes: 255 in the slots where the latest takes precedence
     */
    public function __construct(
        public readonly ?int $priority,
        private Merger $merger,
        private string $latest,
        private WideParameters $wide,
    ) {
        parent::__construct(
            $priority === null ? 'own' : "own {$priority}",
            $priority === null ? 'our own' : "our own, priority {$priority}",
        );
        $this->mask = Bytes::$none;
    }

    /** Other rules: who shares a slot is decided anew, in the order of the last changes. */
    public function ruleBy(Merger $merger, string $latest, WideParameters $wide): void
    {
        $this->merger = $merger;
        $this->latest = $latest;
        $this->wide = $wide;
        foreach (array_keys($this->shared) as $slot) {
            $this->decide($slot);
        }
    }

    /**
     * An owner gives levels, for the first time or others than before.
     *
     * @param bool $counts whether it counts as the one that changed its slots last
     *
     * @return string 512 bytes: 255 in the slots that it has changed, taken up or let go
     */
    public function give(Contribution $new, bool $counts = true): string
    {
        $old = $this->given[$new->owner] ?? null;
        $this->given[$new->owner] = $new;
        if ($old === null || $old->mask !== $new->mask) {
            $taken = $new->mask & ($old === null ? Bytes::$all : $old->mask ^ Bytes::$all);
            $left = $old === null ? Bytes::$none : $old->mask & ($new->mask ^ Bytes::$all);
            $changed = $taken | $left | (Bytes::filled($new->levels ^ ($old->levels ?? Bytes::$none)) & $new->mask);
            $this->leave($new->owner, $left);
            $this->share($new->owner, $taken & $this->mask);
            $this->mask |= $taken;
        } else {
            $changed = Bytes::filled($new->levels ^ $old->levels);
        }
        $mask = $this->wide->wholeMask($changed) & $new->mask;
        $counts ? $this->touch($new, $mask) : $this->lay($new, $mask);

        return $changed;
    }

    /**
     * An owner sets slots that it gives already.
     *
     * @param array<int, int> $levels by slot; of a wide parameter all slots
     * @param bool $isSet as in a contribution
     * @param bool $counts whether it counts as the last change
     *
     * @return bool false where it does not give one of them yet, or otherwise: then nothing is set
     */
    public function set(string $owner, array $levels, bool $isSet = true, bool $counts = true): bool
    {
        $contribution = $this->given[$owner] ?? null;
        if ($contribution === null || $contribution->isSet !== $isSet) {
            return false;
        }
        foreach ($levels as $slot => $level) {
            if ($contribution->mask[$slot] === "\0") {
                return false;
            }
        }
        foreach ($levels as $slot => $level) {
            $contribution->levels[$slot] = \chr($level);
            $this->levels[$slot] = isset($this->shared[$slot]) ? $this->levels[$slot] : \chr($level);
        }
        foreach ($this->shared === [] ? [] : $levels as $slot => $level) {
            $counts ? $this->comeLast($slot, $owner) : $this->decide($slot);
        }

        return true;
    }

    /**
     * An owner counts as the one that changed its slots last.
     *
     * @param string $mask 512 bytes: 255 in these slots, all of them its own
     */
    public function touch(Contribution $contribution, string $mask): void
    {
        $this->levels = Bytes::laid($this->levels, $contribution->levels, $mask);
        foreach ($this->shared === [] ? [] : Bytes::slots($mask) as $slot) {
            $this->comeLast($slot, $contribution->owner);
        }
    }

    /** The levels of an owner are otherwise, and it takes nothing from who acted since. */
    private function lay(Contribution $contribution, string $mask): void
    {
        $this->levels = Bytes::laid($this->levels, $contribution->levels, $mask);
        foreach ($this->shared === [] ? [] : Bytes::slots($mask) as $slot) {
            if (isset($this->shared[$slot])) {
                $this->decide($slot);
            }
        }
    }

    /** @return string 512 bytes: 255 in the slots that the owner gave */
    public function end(string $owner): string
    {
        $mask = $this->given[$owner]->mask ?? Bytes::$none;
        unset($this->given[$owner]);
        $this->leave($owner, $mask);

        return $mask;
    }

    public function isEmpty(): bool
    {
        return $this->given === [];
    }

    /** @param int $slot 0 to 511 */
    public function gives(int $slot): bool
    {
        return $this->mask[$slot] !== "\0";
    }

    public function of(string $owner): ?Contribution
    {
        return $this->given[$owner] ?? null;
    }

    /** @return array<string, Contribution> by owner, in the order in which they came */
    public function all(): array
    {
        return $this->given;
    }

    /**
     * Who gives a slot.
     *
     * @return list<Contribution> the one whose level it is first, then by their last changes from the latest
     */
    public function at(int $slot): array
    {
        $winner = $this->winner($slot);
        if ($winner === null) {
            return [];
        }
        $others = [];
        foreach (array_reverse($this->shared[$slot] ?? []) as $owner) {
            if ($owner !== $winner->owner) {
                $others[] = $this->given[$owner];
            }
        }

        return [$winner, ...$others];
    }

    /** @return array<int, list<string>> owners by slot, where a slot has several; the one that changed it last is last */
    public function sharing(): array
    {
        return $this->shared;
    }

    /**
     * @return array<string, list<string>> keys of others who had changed a slot after an owner, when another owner acted: by
     * owner
     */
    public function cededAt(int $slot): array
    {
        return $this->ceded[$slot] ?? [];
    }

    /**
     * Puts an order of last changes back.
     *
     * @param list<string> $owners
     * @param array<string, list<string>> $ceded as cededAt() gave it
     */
    public function reorder(int $slot, array $owners, array $ceded = []): void
    {
        $mine = $this->shared[$slot] ?? [];
        $known = array_values(array_intersect($owners, $mine));
        if ($known !== []) {
            $this->shared[$slot] = [...array_values(array_diff($mine, $known)), ...$known];
            $this->ceded[$slot] = array_intersect_key($ceded, array_flip($known));
            $this->decide($slot);
        }
    }

    private function comeLast(int $slot, string $owner): void
    {
        $owners = $this->shared[$slot] ?? null;
        if ($owners === null) {
            return;
        }
        $isLast = $owners[\count($owners) - 1] === $owner;
        $this->cede($slot, $owners[\count($owners) - ($isLast ? 2 : 1)]);
        if (! $isLast) {
            $this->withdraw($slot, $owner);
            $this->shared[$slot] = [...array_values(array_diff($owners, [$owner])), $owner];
        }
        $this->decide($slot);
    }

    private function winner(int $slot): ?Contribution
    {
        $owners = $this->shared[$slot] ?? null;
        if ($owners === null) {
            foreach ($this->given as $contribution) {
                if ($contribution->mask[$slot] !== "\0") {
                    return $contribution;
                }
            }

            return null;
        }
        if ($this->latest[$slot] !== "\0") {
            return $this->given[$owners[\count($owners) - 1]];
        }
        $candidates = [];
        foreach ($owners as $owner) {
            $contribution = $this->given[$owner];
            $candidates[$contribution->isSet ? '' : $owner] = $contribution;
        }
        $best = null;
        $highest = -1;
        foreach ($candidates as $contribution) {
            $value = $this->wide->value($contribution->levels, $slot);
            if ($value > $highest) {
                $highest = $value;
                $best = $contribution;
            }
        }

        return $best;
    }

    private function decide(int $slot): void
    {
        $winner = $this->winner($slot);
        if ($winner !== null) {
            $this->levels[$slot] = $winner->levels[$slot];
        }
    }

    /** @param string $mask 512 bytes: slots that somebody else gives already */
    private function share(string $owner, string $mask): void
    {
        foreach (Bytes::slots($mask) as $slot) {
            $this->shared[$slot] ??= $this->ownersBut($owner, $slot);
            $this->cede($slot, $this->shared[$slot][\count($this->shared[$slot]) - 1]);
            $this->shared[$slot][] = $owner;
        }
    }

    /** @param string $mask 512 bytes: slots that the owner no longer gives */
    private function leave(string $owner, string $mask): void
    {
        foreach (Bytes::slots($mask) as $slot) {
            $this->fallBack($slot, $owner);
            $owners = array_values(array_diff($this->shared[$slot] ?? [], [$owner]));
            if ($owners === []) {
                $this->mask[$slot] = "\0";
                $this->levels[$slot] = "\0";

                continue;
            }
            $this->shared[$slot] = $owners;
            $this->decide($slot);
            if (\count($owners) === 1) {
                unset($this->shared[$slot], $this->ceded[$slot]);
            }
        }
    }

    /** Another owner acts after this one: whoever of others has changed the slot since is remembered. */
    private function cede(int $slot, string $owner): void
    {
        $after = $this->merger->after($this, $slot);
        if ($after !== []) {
            $this->ceded[$slot][$owner] = array_values(array_unique([...$this->ceded[$slot][$owner] ?? [], ...$after]));
        }
    }

    /** An owner goes from its place: those who came after it came after the one before it too. */
    private function withdraw(int $slot, string $owner): void
    {
        $after = $this->ceded[$slot][$owner] ?? [];
        $place = array_search($owner, $this->shared[$slot] ?? [], true);
        unset($this->ceded[$slot][$owner]);
        if ($after !== [] && \is_int($place) && $place > 0) {
            $before = $this->shared[$slot][$place - 1];
            $this->ceded[$slot][$before] = array_values(array_unique([...$this->ceded[$slot][$before] ?? [], ...$after]));
        }
    }

    /** An owner leaves a slot: if it was the last one, the layer stands where the one before it stood among all others. */
    private function fallBack(int $slot, string $owner): void
    {
        $owners = $this->shared[$slot] ?? [];
        $this->withdraw($slot, $owner);
        $before = $owners[\count($owners) - 2] ?? null;
        if ($before !== null && $owners[\count($owners) - 1] === $owner) {
            $this->merger->fallBehind($this, $slot, $this->ceded[$slot][$before] ?? []);
            unset($this->ceded[$slot][$before]);
        }
    }

    /** @return list<string> */
    private function ownersBut(string $owner, int $slot): array
    {
        $owners = [];
        foreach ($this->given as $other => $contribution) {
            if ((string) $other !== $owner && $contribution->mask[$slot] !== "\0") {
                $owners[] = (string) $other;
            }
        }

        return $owners;
    }
}
