<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;

/**
 * What is ours in one universe: a layer for each priority that any owner gives, and
 * one that joins whoever is in control. What is given is gathered until settled().
 */
final class Layers
{
    /** As many priorities as an order of changes has room for beside all senders. */
    public const MOST = 50;

    /** @var array<string, Layer> by key */
    private array $layers = [];

    /** @var array<string, string> key of its layer, by owner */
    private array $layerOf = [];

    /** @var string 512 bytes: 255 in slots that have been given or let go in runs since they were settled */
    private string $unsettled;

    /** @var array<int, int> slots that have been set one by one since */
    private array $unsettledSlots = [];

    /** Whether other slots are given than when they were settled. */
    private bool $haveOtherSlots = false;

    public function __construct(private Merger $merger, private string $latest, private WideParameters $wide)
    {
        $this->unsettled = Bytes::$none;
    }

    /** @param string $latest 512 bytes: 255 in the slots where the latest takes precedence */
    public function ruleBy(Merger $merger, string $latest, WideParameters $wide): void
    {
        $this->merger = $merger;
        $this->latest = $latest;
        $this->wide = $wide;
        foreach ($this->layers as $layer) {
            $layer->ruleBy($merger, $latest, $wide);
        }
    }

    /**
     * An owner gives levels.
     *
     * @param string $owner the same as long as it is the same owner
     * @param string $name for people
     * @param string $levels 512 bytes; 0 in slots that it does not give
     * @param string $mask 512 bytes: 255 in the slots that it gives
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param bool $isSet whether it is set by acts: of those the last act has a slot, whatever the rule
     * @param bool $counts whether it counts as a change: a fade that goes on does not
     */
    public function give(
        string $owner,
        string $name,
        string $levels,
        string $mask,
        ?int $priority = null,
        bool $isSet = false,
        bool $counts = true,
    ): void {
        [$levels, $mask] = $this->wide->fitted($levels, $mask);
        $held = $this->holding($owner);
        $before = $held?->of($owner);
        if ($held !== null && $held->priority !== $priority) {
            $this->end($owner);
        } elseif ($before !== null && $before->mask === $mask && $before->levels === $levels && $before->isSet === $isSet) {
            $before->name = $name;

            return;
        }
        $layer = $this->of($priority);
        $maskBefore = $layer->mask;
        $changed = $layer->give(new Contribution($owner, $name, $levels, $mask, $isSet), $counts);
        $this->layerOf[$owner] = $layer->key;
        if ($counts) {
            $this->merger->touched($layer, $changed & $mask);
        }
        $this->unsettled |= $changed;
        $this->noteMask($layer, $maskBefore);
    }

    /**
     * An owner sets slots, besides those that it has set already. It is an act: it counts as a change where the
     * levels are the same as before.
     *
     * @param array<int, int> $levels 0 to 255 by slot
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param bool $isSet whether of those the last act has a slot, whatever the rule
     * @param bool $counts whether it is an act: a fade that goes on is none
     */
    public function set(
        string $owner,
        string $name,
        array $levels,
        ?int $priority = null,
        bool $isSet = true,
        bool $counts = true,
    ): void {
        $levels = $this->wide->fittedSlots($levels);
        $layer = $this->holding($owner);
        if ($layer === null || $layer->priority !== $priority || ! $layer->set($owner, $levels, $isSet, $counts)) {
            $this->giveBesides($owner, $name, $levels, $priority, $isSet);
            $layer = $this->of($priority);
            $layer->set($owner, $levels, $isSet);
            $counts = true;
        }
        $slots = array_keys($levels);
        if ($counts) {
            $this->merger->touchedSlots($layer, $slots);
        }
        foreach ($slots as $slot) {
            $this->unsettledSlots[$slot] = $slot;
        }
    }

    /**
     * An owner counts as the one that changed slots last, whether they have other levels or not.
     *
     * @param string $mask 512 bytes: 255 in these slots; those that it does not give are left alone
     */
    public function claim(string $owner, string $mask): void
    {
        $layer = $this->holding($owner);
        $given = $layer?->of($owner);
        if ($layer === null || $given === null) {
            return;
        }
        $mask = $this->wide->wholeMask($mask) & $given->mask;
        $layer->touch($given, $mask);
        $this->merger->touched($layer, $mask);
        $this->unsettled |= $mask;
    }

    /** An owner gives nothing any more. */
    public function end(string $owner): void
    {
        $layer = $this->holding($owner);
        if ($layer === null) {
            return;
        }
        unset($this->layerOf[$owner]);
        $maskBefore = $layer->mask;
        $this->unsettled |= $layer->end($owner);
        $this->noteMask($layer, $maskBefore);
        if ($layer->isEmpty()) {
            unset($this->layers[$layer->key]);
            $this->merger->forget($layer);
        }
    }

    /**
     * An owner gives some slots nothing any more.
     *
     * @param list<int> $slots 0 to 511; of a wide parameter all
     */
    public function letGo(string $owner, array $slots): void
    {
        $layer = $this->holding($owner);
        $given = $layer?->of($owner);
        if ($layer === null || $given === null) {
            return;
        }
        $left = $given->mask & (Bytes::mask($slots) ^ Bytes::$all);
        if ($left === Bytes::$none) {
            $this->end($owner);
        } elseif ($left !== $given->mask) {
            $this->give($owner, $given->name, $given->levels & $left, $left, $layer->priority, $given->isSet);
        }
    }

    /** The same in another place, under another merger that has the same order: what is given there is given there alone. */
    public function copied(Merger $merger): self
    {
        $copy = clone $this;
        $copy->merger = $merger;
        foreach ($this->layers as $key => $layer) {
            $copy->layers[$key] = clone $layer;
            $copy->layers[$key]->ruleBy($merger, $this->latest, $this->wide);
        }

        return $copy;
    }

    /** @return list<Layer> all, as they would be if an owner gave nothing */
    public function without(string $owner): array
    {
        $layers = [];
        foreach ($this->all() as $layer) {
            if ($layer->of($owner) !== null) {
                $layer = clone $layer;
                $layer->end($owner);
            }
            if (! $layer->isEmpty()) {
                $layers[] = $layer;
            }
        }

        return $layers;
    }

    public function areSettled(): bool
    {
        return $this->unsettledSlots === [] && ! $this->haveOtherSlots && $this->unsettled === Bytes::$none;
    }

    /** Whether other slots are given than when they were settled. */
    public function haveOtherSlots(): bool
    {
        return $this->haveOtherSlots;
    }

    /**
     * What has been given is taken over; gathering begins anew.
     *
     * @param int $most slots that are named one by one
     *
     * @return list<int>|null slots that may have other levels; null where they are too many to name
     */
    public function settled(int $most): ?array
    {
        $slots = array_values($this->unsettledSlots);
        if ($this->unsettled !== Bytes::$none) {
            $isFew = Frame::SLOTS - substr_count($this->unsettled, "\0") <= $most;
            $slots = $isFew ? array_values(array_unique([...$slots, ...Bytes::slots($this->unsettled)])) : null;
            $this->unsettled = Bytes::$none;
        }
        $this->unsettledSlots = [];
        $this->haveOtherSlots = false;

        return $slots;
    }

    /** @return list<Layer> those that give anything, the one that joins first, then by priority from below */
    public function all(): array
    {
        $layers = array_values($this->layers);
        usort($layers, static fn(Layer $a, Layer $b): int => ($a->priority ?? -1) <=> ($b->priority ?? -1));

        return $layers;
    }

    public function areNone(): bool
    {
        return $this->layers === [];
    }

    /** The layer of those who give with this priority. */
    public function of(?int $priority): Layer
    {
        $layer = new Layer($priority, $this->merger, $this->latest, $this->wide);

        return $this->layers[$layer->key] ??= $layer;
    }

    private function noteMask(Layer $layer, string $before): void
    {
        if ($layer->mask !== $before) {
            $this->haveOtherSlots = true;
            $this->merger->left($layer, $before & ($layer->mask ^ Bytes::$all));
        }
    }

    private function holding(string $owner): ?Layer
    {
        return $this->layers[$this->layerOf[$owner] ?? ''] ?? null;
    }

    /** @param array<int, int> $levels by slot */
    private function giveBesides(string $owner, string $name, array $levels, ?int $priority, bool $isSet): void
    {
        $before = $this->holding($owner)?->of($owner);
        $bytes = $before->levels ?? Bytes::$none;
        foreach ($levels as $slot => $level) {
            $bytes[$slot] = \chr($level);
        }
        $this->give($owner, $name, $bytes, Bytes::mask(array_keys($levels)) | ($before->mask ?? Bytes::$none), $priority, $isSet);
    }
}
