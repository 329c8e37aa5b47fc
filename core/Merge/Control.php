<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;

/**
 * Who is in control of a universe's slots: senders of the highest priority and
 * layers of ours, decided slot by slot where priorities differ. Built anew when
 * priorities or masks change, never because of a level.
 */
final readonly class Control
{
    private const LAST_RESORT = -500;

    /** @var list<Contributor> all that take part, senders first */
    public array $leading;

    /**
     * @param list<Source> $senders those that are merged, in the order in which they came
     * @param list<Contributor> $everywhere those that share all slots; empty where slots differ
     * @param list<Group> $groups slots that differ, by who shares them
     * @param array<int, int> $groupOf place in $groups by slot; slots that nobody gives are left out
     * @param bool $bySlot whether senders give single slots priorities of their own
     */
    private function __construct(
        public array $senders,
        private array $everywhere,
        private array $groups,
        private array $groupOf,
        public bool $bySlot,
    ) {
        $leading = $everywhere;
        foreach ($groups as $group) {
            foreach ($group->contributors as $contributor) {
                if (! \in_array($contributor, $leading, true)) {
                    $leading[] = $contributor;
                }
            }
        }
        $layers = array_filter($leading, static fn(Contributor $one): bool => $one instanceof Layer);
        $this->leading = [...$senders, ...array_values($layers)];
    }

    /**
     * @param array<string, Source> $sources
     * @param list<Layer> $layers as Layers::all() gives them
     * @param string $chosen the port whose sources alone may lead; '' for all
     */
    public static function among(
        array $sources,
        array $layers = [],
        string $chosen = '',
        WideParameters $wide = new WideParameters(),
    ): self {
        $able = array_filter(
            $sources,
            static fn(Source $source): bool => ! $source->preview && ($chosen === '' || $source->portId === $chosen),
        );
        $highest = $able === [] ? \PHP_INT_MIN : max(array_map(static fn(Source $source): int => $source->rank(), $able));
        $bySlot = array_filter($able, static fn(Source $source): bool => $source->slotPriorities !== '') !== [];
        $lastResort = $highest < self::LAST_RESORT;
        $senders = [];
        foreach ($able as $source) {
            if ($bySlot ? $source->lastResort === $lastResort : $source->rank() === $highest) {
                $senders[] = $source;
            }
        }
        $hasPriorities = array_filter($layers, static fn(Layer $layer): bool => $layer->priority !== null) !== [];
        if ($senders !== [] && ! $bySlot && ! $hasPriorities) {
            return new self($senders, [...$senders, ...$layers], [], [], false);
        }
        [$groups, $groupOf] = self::groups($senders, $layers, $bySlot, $lastResort, $wide);

        return new self($senders, [], $groups, $groupOf, $bySlot);
    }

    public function hasSenders(): bool
    {
        return $this->senders !== [];
    }

    public function has(Contributor $contributor): bool
    {
        return \in_array($contributor, $this->leading, true);
    }

    /** @return string 512 bytes: what the senders are merged to if this is the last of them, and they may be lost with it */
    public function ofLastSender(Source $source, Merger $merger, WideParameters $wide): string
    {
        if ($this->senders !== [$source]) {
            return Bytes::$none;
        }

        return self::among([$source->key => $source], wide: $wide)->merge($merger, Bytes::$none);
    }

    /** @return list<Contributor> who shares a slot */
    public function at(int $slot): array
    {
        if ($this->everywhere !== []) {
            return $this->everywhere;
        }
        $place = $this->groupOf[$slot] ?? null;

        return $place === null ? [] : $this->groups[$place]->contributors;
    }

    /** @param string $below 512 bytes: what shows where nobody gives a slot */
    public function merge(Merger $merger, string $below): string
    {
        if ($this->everywhere !== []) {
            return $merger->merge($this->everywhere);
        }
        $merged = $below;
        foreach ($this->groups as $group) {
            $merged = Bytes::laid($merged, $merger->merge($group->contributors), $group->mask);
        }

        return $merged;
    }

    /**
     * @param string $merged what merge() gave before one of the contributors moved
     * @param list<int> $slots those that moved; of a wide parameter all
     */
    public function mergeSlots(Merger $merger, string $merged, array $slots): string
    {
        if ($this->everywhere !== []) {
            return $merger->mergeSlots($merged, $this->everywhere, $slots);
        }
        $byGroup = [];
        foreach ($slots as $slot) {
            if (isset($this->groupOf[$slot])) {
                $byGroup[$this->groupOf[$slot]][] = $slot;
            }
        }
        foreach ($byGroup as $place => $own) {
            $merged = $merger->mergeSlots($merged, $this->groups[$place]->contributors, $own);
        }

        return $merged;
    }

    /** @return string one byte a slot: the place in $leading counted from 1, 0 for none */
    public function winners(Merger $merger): string
    {
        if ($this->everywhere !== []) {
            return $merger->winners($this->everywhere);
        }
        $winners = Bytes::$none;
        foreach ($this->groups as $group) {
            $places = str_repeat("\0", 256);
            foreach ($group->contributors as $place => $contributor) {
                $places[$place + 1] = \chr((int) array_search($contributor, $this->leading, true) + 1);
            }
            $winners = Bytes::laid($winners, strtr($merger->winners($group->contributors), Bytes::$every, $places), $group->mask);
        }

        return $winners;
    }

    /**
     * Slot by slot the highest priority has it, and what joins is there besides.
     *
     * @param list<Source> $senders
     * @param list<Layer> $layers
     *
     * @return array{list<Group>, array<int, int>}
     */
    private static function groups(array $senders, array $layers, bool $bySlot, bool $lastResort, WideParameters $wide): array
    {
        $everybody = [...$senders, ...$layers];
        $slotsOf = [];
        for ($slot = 0; $slot < Frame::SLOTS; ++$slot) {
            $at = $wide->coarse($slot);
            $highest = \PHP_INT_MIN;
            $best = $joining = [];
            foreach ($everybody as $place => $one) {
                if ($one instanceof Source) {
                    $priority = $bySlot ? SlotPriorities::of($one, $at) : $one->priority;
                    $isSent = $priority !== null;
                    $priority = $lastResort ? (int) $priority - 1000 : (int) $priority;
                } elseif ($one instanceof Layer) {
                    $isSent = $one->gives($at);
                    $priority = $one->priority ?? 0;
                    if ($isSent && $one->priority === null) {
                        $joining[] = $place;

                        continue;
                    }
                } else {
                    continue;
                }
                if (! $isSent || $priority < $highest) {
                    continue;
                }
                if ($priority > $highest) {
                    $best = [];
                }
                $highest = $priority;
                $best[] = $place;
            }
            if ($best !== [] || $joining !== []) {
                $slotsOf[implode(' ', [...$best, ...$joining])][] = $slot;
            }
        }
        $groups = [];
        $groupOf = [];
        foreach ($slotsOf as $key => $slots) {
            $places = array_map(intval(...), explode(' ', (string) $key));
            $groupOf += array_fill_keys($slots, \count($groups));
            $groups[] = new Group(array_map(static fn(int $place): Contributor => $everybody[$place], $places), $slots);
        }

        return [$groups, $groupOf];
    }
}
