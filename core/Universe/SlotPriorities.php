<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * Merging where sources give single slots priorities of their own: the highest
 * priority that any source gives a slot has it; 0 says that a source does not
 * send this slot at all. Start code 0xDD, in common use (from memory).
 */
final class SlotPriorities
{
    public const START_CODE = 0xDD;

    /** A source that no longer sends them is ranked as a whole again after this time, as one that is silent is lost. */
    public const LOST_NANOS = 2_500_000_000;

    /** @param list<Source> $sources */
    public static function merge(array $sources, Merger $merger): string
    {
        $merged = str_repeat("\0", Frame::SLOTS);
        foreach (self::groups($sources) as $group) {
            $merged = $merger->mergeSlots($merged, $group['sources'], $group['slots']);
        }

        return $merged;
    }

    /** @param list<Source> $sources */
    public static function winners(array $sources, Merger $merger): string
    {
        $winners = str_repeat("\0", Frame::SLOTS);
        foreach (self::groups($sources) as $group) {
            $places = $merger->winners($group['sources']);
            foreach ($group['slots'] as $slot) {
                $winner = $group['sources'][\ord($places[$slot]) - 1] ?? null;
                $winners[$slot] = $winner === null ? "\0" : \chr((int) array_search($winner, $sources, true) + 1);
            }
        }

        return $winners;
    }

    /** @param int $slot 0 to 511 */
    public static function of(Source $source, int $slot): int
    {
        return $source->slotPriorities === '' ? (int) $source->priority : \ord($source->slotPriorities[$slot]);
    }

    /**
     * Slots with the same leading sources, together.
     *
     * @param list<Source> $sources
     *
     * @return array<string, array{sources: list<Source>, slots: list<int>}>
     */
    private static function groups(array $sources): array
    {
        $groups = [];
        for ($slot = 0; $slot < Frame::SLOTS; ++$slot) {
            $highest = 0;
            $leading = [];
            foreach ($sources as $place => $source) {
                if ($source->isSparse()) {
                    $leading[] = $place;

                    continue;
                }
                $priority = self::of($source, $slot);
                if ($priority === 0 && $source->slotPriorities !== '') {
                    continue;
                }
                if ($priority > $highest) {
                    $highest = $priority;
                    $leading = array_values(array_filter($leading, static fn(int $other): bool => $sources[$other]->isSparse()));
                }
                if ($priority === $highest) {
                    $leading[] = $place;
                }
            }
            $key = implode(' ', $leading);
            $groups[$key] ??= ['sources' => array_map(static fn(int $place): Source => $sources[$place], $leading), 'slots' => []];
            $groups[$key]['slots'][] = $slot;
        }

        return $groups;
    }
}
