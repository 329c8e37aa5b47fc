<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/** Latest takes precedence for the slots that say so (position, colour, choice), highest for the rest (intensity). */
final class SlotwiseMerger implements Merger
{
    private readonly HtpMerger $highest;
    private readonly LtpMerger $latest;

    /** @var string 255 in the slots where the latest takes precedence, 0 elsewhere */
    private readonly string $mask;

    /** @param string $latest one byte a slot, not 0 where the latest takes precedence */
    public function __construct(string $latest)
    {
        $this->highest = new HtpMerger();
        $this->latest = new LtpMerger();
        $this->mask = strtr(str_pad($latest, Frame::SLOTS, "\0"), array_fill_keys(array_map(\chr(...), range(1, 255)), "\xFF"));
    }

    public function moved(Source $source, string $before, int $now): void
    {
        $this->latest->moved($source, $before, $now);
    }

    public function forget(Source $source): void
    {
        $this->latest->forget($source);
    }

    public function order(): array
    {
        return $this->latest->order();
    }

    public function reorder(array $order, int $now): void
    {
        $this->latest->reorder($order, $now);
    }

    public function merge(array $sources): string
    {
        return $this->mix($this->highest->merge($sources), $this->latest->merge($sources));
    }

    public function mergeSlots(string $merged, array $sources, array $slots): string
    {
        $isLatest = fn(int $slot): bool => $this->mask[$slot] !== "\0";
        $merged = $this->latest->mergeSlots($merged, $sources, array_values(array_filter($slots, $isLatest)));

        return $this->highest->mergeSlots($merged, $sources, array_values(array_filter($slots, static fn(int $slot): bool => ! $isLatest($slot))));
    }

    public function winners(array $sources): string
    {
        return $this->mix($this->highest->winners($sources), $this->latest->winners($sources));
    }

    public function reason(array $sources, Source $winner, int $slot, int $now): string
    {
        return ($this->mask[$slot] === "\0" ? $this->highest : $this->latest)->reason($sources, $winner, $slot, $now);
    }

    private function mix(string $highest, string $latest): string
    {
        return $highest ^ (($highest ^ $latest) & $this->mask);
    }
}
