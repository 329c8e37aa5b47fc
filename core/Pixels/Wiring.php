<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Signal\Frame;

/**
 * Which slots each pixel of a line takes: from a slot on, as many whole pixels a universe as fit, or all slots one after
 * the other; with gaps. Slots are counted through all universes, from 0.
 */
final readonly class Wiring
{
    /** Pixels in the first universe, and in each after it; where they are not split. */
    private int $inFirst;
    private int $inEach;

    /**
     * @var list<array{int, int}> pixels of the map before a gap, from 0, and pixels that all gaps up to it leave out; in
     * order
     */
    private array $gaps;

    /**
     * @param int $count pixels
     * @param int $width slots of a pixel
     * @param int $first slot in the first universe, from 0
     * @param int|null $most pixels in a universe; null for as many as fit
     * @param list<Gap> $gaps
     */
    public function __construct(
        public int $count,
        public int $width,
        private int $first,
        ?int $most,
        private bool $isSplit,
        array $gaps,
    ) {
        $this->inFirst = min($most ?? Frame::SLOTS, intdiv(Frame::SLOTS - $first, $width));
        $this->inEach = min($most ?? Frame::SLOTS, intdiv(Frame::SLOTS, $width));
        usort($gaps, static fn(Gap $a, Gap $b): int => $a->before <=> $b->before);
        $left = 0;
        $places = [];
        foreach ($gaps as $gap) {
            $left += $gap->pixels;
            $places[] = [$gap->before - 1, $left];
        }
        $this->gaps = $places;
    }

    /**
     * @param int $pixel from 0
     *
     * @return non-empty-list<int> its slots
     */
    public function slots(int $pixel): array
    {
        $place = $pixel;
        foreach ($this->gaps as [$before, $left]) {
            if ($before > $pixel) {
                break;
            }
            $place = $pixel + $left;
        }
        $start = $this->start($place);

        return range($start, $start + $this->width - 1);
    }

    /**
     * What a slot is of.
     *
     * @return array{int, int}|null the pixel, and the colour in its order, both from 0; null for none
     */
    public function at(int $slot): ?array
    {
        $place = $this->placeAt($slot);
        if ($place === null) {
            return null;
        }
        [$place, $colour] = $place;
        $pixel = $place;
        $leftBefore = 0;
        foreach ($this->gaps as [$before, $left]) {
            if ($place < $before + $leftBefore) {
                break;
            }
            if ($place < $before + $left) {
                return null;
            }
            $pixel = $place - $left;
            $leftBefore = $left;
        }

        return $pixel < $this->count ? [$pixel, $colour] : null;
    }

    /** How many universes it runs through. */
    public function universes(): int
    {
        return intdiv($this->last(), Frame::SLOTS) + 1;
    }

    /** @return int the last slot that it takes */
    public function last(): int
    {
        return max($this->slots($this->count - 1));
    }

    /**
     * @param int $universe from 0, of those that it runs through
     *
     * @return array{int, int}|null first and last slot in it, from 0; null where it takes none
     */
    public function span(int $universe): ?array
    {
        $low = $universe === 0 ? $this->first : 0;
        $last = $this->last() - $universe * Frame::SLOTS;
        $fits = $universe === 0 ? $this->inFirst : $this->inEach;
        $high = $this->isSplit ? Frame::SLOTS - 1 : $low + $fits * $this->width - 1;
        $high = min($high, $last);

        return $high < $low ? null : [$low, $high];
    }

    /** Slots that its pixels take, without gaps. */
    public function taken(): int
    {
        return $this->count * $this->width;
    }

    /** The first slot of a place on the line, gaps counted. */
    private function start(int $place): int
    {
        if ($this->isSplit) {
            return $this->first + $place * $this->width;
        }
        if ($place < $this->inFirst) {
            return $this->first + $place * $this->width;
        }
        $after = $place - $this->inFirst;

        return (1 + intdiv($after, $this->inEach)) * Frame::SLOTS + $after % $this->inEach * $this->width;
    }

    /** @return array{int, int}|null the place on the line, gaps counted, and the colour there */
    private function placeAt(int $slot): ?array
    {
        if ($slot < $this->first) {
            return null;
        }
        if ($this->isSplit) {
            return [intdiv($slot - $this->first, $this->width), ($slot - $this->first) % $this->width];
        }
        $universe = intdiv($slot, Frame::SLOTS);
        $inside = $slot % Frame::SLOTS - ($universe === 0 ? $this->first : 0);
        $place = intdiv($inside, $this->width);
        if ($place >= ($universe === 0 ? $this->inFirst : $this->inEach)) {
            return null;
        }

        return [
            $universe === 0 ? $place : $this->inFirst + ($universe - 1) * $this->inEach + $place,
            $inside % $this->width,
        ];
    }
}
