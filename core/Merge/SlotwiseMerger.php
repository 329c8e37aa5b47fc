<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * Latest takes precedence for the slots that say so (position, colour, choice), highest for the rest (intensity); a
 * wide parameter goes by its coarsest slot.
 */
final class SlotwiseMerger implements Merger
{
    private readonly HtpMerger $highest;
    private readonly LtpMerger $latest;

    /** @var string 255 in the slots where the latest takes precedence, 0 elsewhere */
    private readonly string $mask;

    /** @param string $latest 512 bytes: 255 in the slots where the latest takes precedence; of a wide parameter all or none */
    public function __construct(string $latest, WideParameters $wide = new WideParameters())
    {
        $this->highest = new HtpMerger($wide);
        $this->latest = new LtpMerger($wide);
        $this->mask = $latest;
    }

    public function moved(Contributor $contributor, string $before): void
    {
        $this->touched($contributor, Bytes::filled($contributor->levels ^ $before));
    }

    public function touched(Contributor $contributor, string $mask): void
    {
        $this->latest->touched($contributor, $mask & $this->mask);
    }

    public function touchedSlots(Contributor $contributor, array $slots): void
    {
        $this->latest->touchedSlots(
            $contributor,
            array_values(array_filter($slots, fn(int $slot): bool => $this->mask[$slot] !== "\0")),
        );
    }

    public function left(Contributor $contributor, string $mask): void
    {
        $this->latest->left($contributor, $mask);
    }

    public function forget(Contributor $contributor): void
    {
        $this->latest->forget($contributor);
    }

    public function after(Contributor $contributor, int $slot): array
    {
        return $this->mask[$slot] === "\0" ? [] : $this->latest->after($contributor, $slot);
    }

    public function fallBehind(Contributor $contributor, int $slot, array $keys): void
    {
        $this->latest->fallBehind($contributor, $slot, $keys);
    }

    public function order(): array
    {
        return $this->latest->order();
    }

    public function reorder(array $order): void
    {
        $this->latest->reorder($order);
    }

    public function merge(array $contributors): string
    {
        return Bytes::laid($this->highest->merge($contributors), $this->latest->merge($contributors), $this->mask);
    }

    public function mergeSlots(string $merged, array $contributors, array $slots): string
    {
        $latest = $highest = [];
        foreach ($slots as $slot) {
            if ($this->mask[$slot] === "\0") {
                $highest[] = $slot;
            } else {
                $latest[] = $slot;
            }
        }
        $merged = $this->latest->mergeSlots($merged, $contributors, $latest);

        return $this->highest->mergeSlots($merged, $contributors, $highest);
    }

    public function winners(array $contributors): string
    {
        return Bytes::laid($this->highest->winners($contributors), $this->latest->winners($contributors), $this->mask);
    }

    public function reason(array $contributors, Contributor $winner, int $slot): string
    {
        $merger = $this->mask[$slot] === "\0" ? $this->highest : $this->latest;

        return $merger->reason($contributors, $winner, $slot);
    }
}
