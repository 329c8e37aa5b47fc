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
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param string $latest 512 bytes: 255 in the slots where the latest takes precedence
     */
    public function __construct(public readonly ?int $priority, private string $latest, private WideParameters $wide)
    {
        parent::__construct($priority === null ? 'own' : "own {$priority}", $priority === null ? 'our own' : "our own, priority {$priority}");
        $this->mask = Bytes::$none;
    }

    /** Other rules: who shares a slot is decided anew, in the order of the last changes. */
    public function ruleBy(string $latest, WideParameters $wide): void
    {
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
     * Puts an order of last changes back.
     *
     * @param list<string> $owners
     */
    public function reorder(int $slot, array $owners): void
    {
        $mine = $this->shared[$slot] ?? [];
        $known = array_values(array_intersect($owners, $mine));
        if ($known !== []) {
            $this->shared[$slot] = [...array_values(array_diff($mine, $known)), ...$known];
            $this->decide($slot);
        }
    }

    private function comeLast(int $slot, string $owner): void
    {
        $owners = $this->shared[$slot] ?? null;
        if ($owners !== null) {
            $this->shared[$slot] = [...array_values(array_diff($owners, [$owner])), $owner];
            $this->decide($slot);
        }
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
            $this->shared[$slot][] = $owner;
        }
    }

    /** @param string $mask 512 bytes: slots that the owner no longer gives */
    private function leave(string $owner, string $mask): void
    {
        foreach (Bytes::slots($mask) as $slot) {
            $owners = array_values(array_diff($this->shared[$slot] ?? [], [$owner]));
            if ($owners === []) {
                $this->mask[$slot] = "\0";
                $this->levels[$slot] = "\0";

                continue;
            }
            $this->shared[$slot] = $owners;
            $this->decide($slot);
            if (\count($owners) === 1) {
                unset($this->shared[$slot]);
            }
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
