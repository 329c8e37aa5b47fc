<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * The parameters of a universe that take two to four slots, the coarsest first,
 * side by side or apart. What is decided for one is decided by its whole value
 * and for all of its slots; every other slot stands for itself.
 */
final readonly class WideParameters
{
    /** @var array<int, list<int>> by slot: all slots of its parameter, the coarsest first */
    private array $slotsOf;

    /** @var list<FinerSlots> the second slots, the third, the fourth */
    private array $finer;

    /** @var string 512 bytes: 255 in every slot of a wide parameter */
    public string $mask;

    /**
     * @param list<list<int>> $parameters slots from 0 of each, the coarsest first; of two that share a slot the first is
     * taken
     */
    public function __construct(array $parameters = [])
    {
        $slotsOf = [];
        foreach ($parameters as $slots) {
            $isFree = array_intersect_key($slotsOf, array_flip($slots)) === [];
            if (\count($slots) > 1 && $isFree) {
                $slotsOf += array_fill_keys($slots, $slots);
            }
        }
        $finer = [];
        for ($place = 1; $place < 4; ++$place) {
            $before = [];
            foreach ($slotsOf as $slot => $slots) {
                if (($slots[$place] ?? null) === $slot) {
                    $before[$slot] = $slots[$place - 1];
                }
            }
            if ($before !== []) {
                $finer[] = new FinerSlots($before);
            }
        }
        $this->slotsOf = $slotsOf;
        $this->finer = $finer;
        $this->mask = Bytes::mask(array_keys($slotsOf));
    }

    public function areNone(): bool
    {
        return $this->slotsOf === [];
    }

    public function equal(self $other): bool
    {
        return $this->slotsOf === $other->slotsOf;
    }

    /** @return list<list<int>> the slots of each, the coarsest first */
    public function all(): array
    {
        $all = [];
        foreach ($this->slotsOf as $slot => $slots) {
            if ($slots[0] === $slot) {
                $all[] = $slots;
            }
        }

        return $all;
    }

    /**
     * @param string $levels 512 bytes
     * @param list<int> $slots of one parameter, the coarsest first
     * @param int $value as many bits as the slots have
     */
    public static function lay(string $levels, array $slots, int $value): string
    {
        foreach (array_reverse($slots) as $slot) {
            $levels[$slot] = \chr($value & 255);
            $value >>= 8;
        }

        return $levels;
    }

    /**
     * @param int $slot 0 to 511
     *
     * @return list<int> the slots of its parameter, the coarsest first; itself alone where it stands for itself
     */
    public function slots(int $slot): array
    {
        return $this->slotsOf[$slot] ?? [$slot];
    }

    /** The coarsest slot of a slot's parameter: itself where it stands for itself. */
    public function coarse(int $slot): int
    {
        return $this->slotsOf[$slot][0] ?? $slot;
    }

    /**
     * The whole value that a slot belongs to, 8 to 32 bits.
     *
     * @param string $levels 512 bytes
     */
    public function value(string $levels, int $slot): int
    {
        $slots = $this->slotsOf[$slot] ?? null;
        if ($slots === null) {
            return \ord($levels[$slot]);
        }
        $value = 0;
        foreach ($slots as $one) {
            $value = $value << 8 | \ord($levels[$one]);
        }

        return $value;
    }

    /**
     * @param list<int> $slots
     *
     * @return list<int> the same, and all other slots of their parameters
     */
    public function whole(array $slots): array
    {
        if ($this->slotsOf === []) {
            return $slots;
        }
        $whole = [];
        foreach ($slots as $slot) {
            foreach ($this->slotsOf[$slot] ?? [$slot] as $one) {
                $whole[$one] = $one;
            }
        }

        return array_values($whole);
    }

    /**
     * @param list<int> $slots of a wide parameter all
     *
     * @return array{list<int>, list<list<int>>} those that stand for themselves, and the slots of each wide parameter among them
     */
    public function apart(array $slots): array
    {
        $single = $parameters = [];
        foreach ($slots as $slot) {
            $own = $this->slotsOf[$slot] ?? null;
            if ($own === null) {
                $single[] = $slot;
            } elseif ($own[0] === $slot) {
                $parameters[] = $own;
            }
        }

        return [$single, $parameters];
    }

    /**
     * @param string $mask 512 bytes of 0 or 255
     *
     * @return string the same, filled up to whole parameters
     */
    public function wholeMask(string $mask): string
    {
        if ($this->slotsOf === [] || ($mask & $this->mask) === Bytes::$none) {
            return $mask;
        }
        foreach (array_reverse($this->finer) as $finer) {
            $mask |= $finer->toCoarser($mask);
        }
        foreach ($this->finer as $finer) {
            $mask |= $finer->fromCoarser($mask);
        }

        return $mask;
    }

    /**
     * @param string $bytes 512 bytes
     *
     * @return string the same, with what stands at the coarsest slot of a parameter in all of its slots
     */
    public function byCoarse(string $bytes): string
    {
        foreach ($this->finer as $finer) {
            $bytes = Bytes::laid($bytes, $finer->fromCoarser($bytes), $finer->mask);
        }

        return $bytes;
    }

    /**
     * What is given for single slots, for whole parameters: the coarsest slot alone gives all of it its level
     * (v x 257 in 16 bits), finer slots without it give nothing.
     *
     * @param string $levels 512 bytes
     * @param string $mask 512 bytes: 255 in the slots that are given
     *
     * @return array{string, string} levels and mask
     */
    public function fitted(string $levels, string $mask): array
    {
        if ($this->slotsOf === []) {
            return [$levels, $mask];
        }
        $whole = $this->byCoarse($mask);
        if ($whole === $mask) {
            return [$levels, $mask];
        }

        return [Bytes::laid($levels & $mask, $this->byCoarse($levels), $whole & ($mask ^ Bytes::$all)) & $whole, $whole];
    }

    /**
     * The same for a few slots.
     *
     * @param array<int, int> $levels by slot
     *
     * @return array<int, int> by slot, the coarsest of a parameter before the others
     */
    public function fittedSlots(array $levels): array
    {
        if ($this->slotsOf === []) {
            return $levels;
        }
        $fitted = [];
        foreach ($levels as $slot => $level) {
            $slots = $this->slotsOf[$slot] ?? [$slot];
            $coarse = $levels[$slots[0]] ?? null;
            if ($coarse === null) {
                continue;
            }
            foreach ($slots as $one) {
                $fitted[$one] = $levels[$one] ?? $coarse;
            }
        }

        return $fitted;
    }

    /**
     * What was compared byte by byte, decided by whole values: the coarsest slot that differs decides for those after it.
     *
     * @param string $difference 512 bytes, not 0 where the two differ
     * @param string $isHigher 512 bytes: 255 where the first is the higher one
     *
     * @return string 512 bytes: 255 where the first is to be taken
     */
    public function decided(string $difference, string $isHigher): string
    {
        if (($difference & $this->mask) === Bytes::$none) {
            return $isHigher;
        }
        $decided = Bytes::filled($difference);
        $last = \count($this->finer) - 1;
        foreach ($this->finer as $place => $finer) {
            $before = $finer->fromCoarser($decided);
            if ($before === Bytes::$none) {
                continue;
            }
            $isHigher ^= ($isHigher ^ $finer->brought($isHigher)) & $before;
            if ($place < $last) {
                $decided |= $before;
            }
        }

        return $isHigher;
    }
}
