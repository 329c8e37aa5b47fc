<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** Makes one set of levels out of several. All levels are strings of 512 bytes. */
interface Merger
{
    /**
     * A source has new levels; called before merge(), and for sources that take no part in it too.
     *
     * @param string $before its levels until now; 512 zero bytes for a new source
     */
    public function moved(Source $source, string $before, int $now): void;

    public function forget(Source $source): void;

    /**
     * Who changed each slot last, and who before: what a restart must not forget. Nothing where no such order decides.
     *
     * @return array<string, string> by source, 512 bytes: 0 for never, the greatest for last
     */
    public function order(): array;

    /** @param array<string, string> $order as order() gave it */
    public function reorder(array $order, int $now): void;

    /**
     * @param list<Source> $sources those that take part, in the order in which they came
     */
    public function merge(array $sources): string;

    /**
     * The same for a few slots only: in most frames most slots are as they were.
     *
     * @param string $merged what merge() gave before one of the sources moved
     * @param list<Source> $sources
     * @param list<int> $slots those that moved, 0 to 511
     */
    public function mergeSlots(string $merged, array $sources, array $slots): string;

    /**
     * Which source gives each slot its level: one byte a slot, the place in $sources counted from 1, or 0 for none.
     *
     * @param list<Source> $sources as given to merge()
     */
    public function winners(array $sources): string;

    /**
     * Why $winner gives this slot its level, in words, to follow the winner's name.
     *
     * @param list<Source> $sources
     */
    public function reason(array $sources, Source $winner, int $slot, int $now): string;
}
