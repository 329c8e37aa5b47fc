<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** Which sources give a universe its levels now: those of the highest priority, or, slot by slot, all that may. */
final readonly class Lead
{
    /**
     * @param list<Source> $sources those that are merged, in the order in which they came
     * @param bool $hasWhole whether any of them sends the whole universe
     * @param bool $bySlot whether priorities of single slots decide
     */
    private function __construct(public array $sources, public bool $hasWhole, public bool $bySlot)
    {
    }

    /**
     * @param array<string, Source> $sources
     * @param string $chosen the port whose sources alone may lead; '' for all
     */
    public static function among(array $sources, string $chosen = ''): self
    {
        $highest = \PHP_INT_MIN;
        $bySlot = false;
        $mayLead = static fn(Source $source): bool => $source->isSparse() || (! $source->preview && ($chosen === '' || $source->portId === $chosen));
        foreach ($sources as $source) {
            if (! $source->isSparse() && $mayLead($source)) {
                $highest = max($highest, $source->rank());
                $bySlot = $bySlot || $source->slotPriorities !== '';
            }
        }
        $lastResort = $highest < -500;

        return new self(
            array_values(array_filter($sources, static fn(Source $source): bool => $mayLead($source)
                && ($source->isSparse() || ($bySlot ? $source->lastResort === $lastResort : $source->rank() === $highest)))),
            $highest !== \PHP_INT_MIN,
            $bySlot,
        );
    }

    public function has(Source $source): bool
    {
        return \in_array($source, $this->sources, true);
    }

    public function merge(Merger $merger): string
    {
        return $this->bySlot ? SlotPriorities::merge($this->sources, $merger) : $merger->merge($this->sources);
    }

    /**
     * @param string $merged what merge() gave before one of the sources moved
     * @param list<int>|null $slots those that moved; null for too many to name
     */
    public function mergeSlots(Merger $merger, string $merged, ?array $slots): string
    {
        return $slots === null || $this->bySlot ? $this->merge($merger) : $merger->mergeSlots($merged, $this->sources, $slots);
    }

    /** @return string one byte a slot: the place in $sources counted from 1, 0 for none */
    public function winners(Merger $merger): string
    {
        return $this->bySlot ? SlotPriorities::winners($this->sources, $merger) : $merger->winners($this->sources);
    }
}
