<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;

/**
 * Who changed each slot last, who before that, and so on: strings of numbers, one
 * byte a slot. Whoever changes a slot moves to its front; those that were before
 * it move back one place. No time is kept, only the order.
 */
final class LtpOrder
{
    public const MOST = 255;

    /** Up to so many slots are moved one by one. */
    private const FEW_SLOTS = 48;

    /** @var array<int, string> 512 bytes each, the latest first; 0 for nobody */
    private array $ranks = [];

    /** @var array<string, int> 1 to 255, by contributor's key */
    private array $numbers = [];

    /** @param string $mask 512 bytes: 255 in the slots that it changed */
    public function moved(string $key, string $mask): void
    {
        $number = \chr($this->number($key));
        $everywhere = str_repeat($number, Frame::SLOTS);
        $behind = isset($this->ranks[0]) ? Bytes::filled($this->ranks[0] ^ $everywhere) & $mask : $mask;
        if ($behind === Bytes::$none) {
            return;
        }
        if (Frame::SLOTS - substr_count($behind, "\0") <= self::FEW_SLOTS) {
            $this->movedSlots($key, Bytes::slots($behind));

            return;
        }
        $carried = $everywhere;
        for ($rank = 0; $behind !== Bytes::$none; ++$rank) {
            $was = $this->ranks[$rank] ?? Bytes::$none;
            $this->ranks[$rank] = Bytes::laid($was, $carried, $behind);
            $carried = $was;
            $behind &= Bytes::filled($was) & Bytes::filled($was ^ $everywhere);
        }
    }

    /** @param list<int> $slots 0 to 511 */
    public function movedSlots(string $key, array $slots): void
    {
        $number = \chr($this->number($key));
        foreach ($slots as $slot) {
            $this->toFront($slot, $number);
        }
    }

    /** @param string $mask 512 bytes: 255 in the slots that it is to be taken out of */
    public function left(string $key, string $mask): void
    {
        if (! isset($this->numbers[$key])) {
            return;
        }
        $everywhere = str_repeat(\chr($this->numbers[$key]), Frame::SLOTS);
        $gone = Bytes::$none;
        foreach ($this->ranks as $rank => $was) {
            $gone |= (Bytes::filled($was ^ $everywhere) ^ Bytes::$all) & $mask;
            $this->ranks[$rank] = Bytes::laid($was, $this->ranks[$rank + 1] ?? Bytes::$none, $gone);
        }
        while ($this->ranks !== [] && end($this->ranks) === Bytes::$none) {
            array_pop($this->ranks);
        }
    }

    public function forget(string $key): void
    {
        $this->left($key, Bytes::$all);
        unset($this->numbers[$key]);
    }

    /**
     * @param list<string> $keys
     *
     * @return string 512 bytes: the place in $keys, from 1, of the one that changed each slot last; 0 for none of them
     */
    public function latest(array $keys): string
    {
        $places = str_repeat("\0", self::MOST + 1);
        foreach ($keys as $place => $key) {
            if (isset($this->numbers[$key])) {
                $places[$this->numbers[$key]] = \chr($place + 1);
            }
        }
        $latest = Bytes::$none;
        foreach ($this->ranks as $rank => $numbers) {
            $found = strtr($numbers, Bytes::$every, $places);
            $latest = $rank === 0 ? $found : $latest | ($found & (Bytes::filled($latest) ^ Bytes::$all));
            if (! str_contains($latest, "\0")) {
                break;
            }
        }

        return $latest;
    }

    /**
     * @param list<string> $keys
     *
     * @return int|null the place in $keys of the one that changed the slot last; null for none of them
     */
    public function latestAt(int $slot, array $keys): ?int
    {
        foreach ($this->ranks as $numbers) {
            $number = \ord($numbers[$slot]);
            if ($number === 0) {
                return null;
            }
            foreach ($keys as $place => $key) {
                if (($this->numbers[$key] ?? 0) === $number) {
                    return $place;
                }
            }
        }

        return null;
    }

    /** @return list<string> keys of those that changed a slot after this one did */
    public function after(string $key, int $slot): array
    {
        $number = $this->numbers[$key] ?? 0;
        $names = array_flip($this->numbers);
        $after = [];
        foreach ($this->ranks as $numbers) {
            $one = \ord($numbers[$slot]);
            if ($one === $number || $one === 0) {
                return $one === 0 ? [] : $after;
            }
            $after[] = (string) $names[$one];
        }

        return [];
    }

    /** @param list<string> $keys behind the last of these it is to stand; it is not moved to the front */
    public function fallBehind(string $key, int $slot, array $keys): void
    {
        $number = $this->numbers[$key] ?? null;
        $others = array_intersect_key($this->numbers, array_flip($keys));
        $from = $to = null;
        foreach ($number === null ? [] : $this->ranks as $rank => $numbers) {
            $one = \ord($numbers[$slot]);
            $from ??= $one === $number ? $rank : null;
            $to = \in_array($one, $others, true) ? $rank : $to;
        }
        if ($number === null || $from === null || $to === null) {
            return;
        }
        for ($rank = $from; $rank < $to; ++$rank) {
            $this->ranks[$rank][$slot] = $this->ranks[$rank + 1][$slot];
        }
        if ($to > $from) {
            $this->ranks[$to][$slot] = \chr($number);
        }
    }

    /** @return array<string, string> by key, 512 bytes: 0 for never, the greatest for last */
    public function kept(): array
    {
        $kept = array_fill_keys(array_keys($this->numbers), Bytes::$none);
        $deepest = \count($this->ranks);
        foreach ($this->numbers as $key => $number) {
            $everywhere = str_repeat(\chr($number), Frame::SLOTS);
            foreach ($this->ranks as $rank => $numbers) {
                $isThere = Bytes::filled($numbers ^ $everywhere) ^ Bytes::$all;
                $kept[$key] |= $isThere & str_repeat(\chr($deepest - $rank), Frame::SLOTS);
            }
        }

        return $kept;
    }

    /**
     * Puts an order back, above what is there.
     *
     * @param array<string, string> $kept as kept() gave it
     */
    public function restore(array $kept): void
    {
        $places = [];
        foreach ($kept as $key => $ranks) {
            foreach (Bytes::slots($ranks) as $slot) {
                $places[\ord($ranks[$slot])][$key][] = $slot;
            }
        }
        ksort($places);
        foreach ($places as $movers) {
            foreach ($movers as $key => $slots) {
                $this->moved($key, Bytes::mask($slots));
            }
        }
    }

    private function toFront(int $slot, string $number): void
    {
        $carried = $number;
        for ($rank = 0; ; ++$rank) {
            $this->ranks[$rank] ??= Bytes::$none;
            $was = $this->ranks[$rank][$slot];
            $this->ranks[$rank][$slot] = $carried;
            if ($was === $number || $was === "\0") {
                return;
            }
            $carried = $was;
        }
    }

    private function number(string $key): int
    {
        if (isset($this->numbers[$key])) {
            return $this->numbers[$key];
        }
        $taken = array_flip($this->numbers);
        for ($number = 1; $number <= self::MOST; ++$number) {
            if (! isset($taken[$number])) {
                return $this->numbers[$key] = $number;
            }
        }

        throw new \OverflowException('An order of '.self::MOST.' contributors is full.');
    }
}
