<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * Latest takes precedence, slot by slot: whoever last changed a slot has it.
 * When that source goes, the one that changed it before has it again.
 */
final class LtpMerger implements Merger
{
    /** @var array<string, array<int, int>> for each source, by slot, when it last changed that slot */
    private array $changed = [];

    public function moved(Source $source, string $before, int $now): void
    {
        foreach (Difference::slots($source->levels, $before, Frame::SLOTS) ?? [] as $slot) {
            $this->changed[$source->key][$slot] = $now;
        }
    }

    public function forget(Source $source): void
    {
        unset($this->changed[$source->key]);
    }

    public function order(): array
    {
        $ranks = array_map(static fn(): array => array_fill(0, Frame::SLOTS, 0), $this->changed);
        for ($slot = 0; $slot < Frame::SLOTS; ++$slot) {
            $times = [];
            foreach ($this->changed as $key => $changed) {
                if (isset($changed[$slot])) {
                    $times[$key] = $changed[$slot];
                }
            }
            if (\count($times) > 1) {
                asort($times);
            }
            $rank = 0;
            foreach ($times as $key => $_) {
                $ranks[$key][$slot] = ++$rank;
            }
        }

        return array_map(static fn(array $list): string => pack('C*', ...$list), $ranks);
    }

    public function reorder(array $order, int $now): void
    {
        foreach ($order as $key => $ranks) {
            $this->changed[$key] = [];
            for ($slot = 0; $slot < Frame::SLOTS; ++$slot) {
                $rank = \ord($ranks[$slot]);
                if ($rank > 0) {
                    // Long enough ago that whatever moves from now on is later.
                    $this->changed[$key][$slot] = $now - 256 + $rank;
                }
            }
        }
    }

    public function merge(array $sources): string
    {
        $result = str_repeat("\0", Frame::SLOTS);
        if (\count($sources) === 1) {
            return $sources[0]->levels;
        }
        $latest = [];
        foreach ($sources as $source) {
            foreach ($this->changed[$source->key] ?? [] as $slot => $when) {
                if ($when >= ($latest[$slot] ?? \PHP_INT_MIN)) {
                    $latest[$slot] = $when;
                    $result[$slot] = $source->levels[$slot];
                }
            }
        }

        return $result;
    }

    public function mergeSlots(string $merged, array $sources, array $slots): string
    {
        foreach ($slots as $slot) {
            $latest = \PHP_INT_MIN;
            foreach ($sources as $source) {
                $when = $this->changed[$source->key][$slot] ?? null;
                if ($when !== null && $when >= $latest) {
                    $latest = $when;
                    $merged[$slot] = $source->levels[$slot];
                }
            }
        }

        return $merged;
    }

    public function winners(array $sources): string
    {
        $winners = str_repeat("\0", Frame::SLOTS);
        $latest = [];
        foreach ($sources as $place => $source) {
            foreach ($this->changed[$source->key] ?? [] as $slot => $when) {
                if ($when >= ($latest[$slot] ?? \PHP_INT_MIN)) {
                    $latest[$slot] = $when;
                    $winners[$slot] = \chr($place + 1);
                }
            }
        }

        return $winners;
    }

    public function reason(array $sources, Source $winner, int $slot, int $now): string
    {
        $when = $this->changed[$winner->key][$slot] ?? null;

        return $when === null
            ? 'the only source'
            : 'changed it last (LTP), '.number_format(($now - $when) / 1e9, 1, '.', '').' s ago';
    }
}
