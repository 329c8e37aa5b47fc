<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/**
 * Places of the entries of a list: whole numbers with room between them, so that most edits give a place to what they add
 * or move and leave all others where they are.
 */
final class Places
{
    /** Between two that are new: so many can be put there, each in the middle, as it has powers of two. */
    public const ROOM = 1 << 20;

    /**
     * @param list<string> $ids in the order that is wanted
     * @param array<string, int> $was places of before, by id; others are not known yet
     *
     * @return array<string, int> places in that order, by id: as many as possible are those of before
     */
    public static function keep(array $ids, array $was): array
    {
        $kept = self::longestRise(array_intersect_key($was, array_flip($ids)), $ids);
        $places = [];
        $low = 0;
        $waiting = [];
        foreach ($ids as $id) {
            if (! isset($kept[$id])) {
                $waiting[] = $id;
                continue;
            }
            $between = self::between($low, $kept[$id], \count($waiting));
            if ($between === null) {
                return self::anew($ids);
            }
            $places += array_combine($waiting, $between);
            $places[$id] = $low = $kept[$id];
            $waiting = [];
        }
        foreach ($waiting as $id) {
            $places[$id] = $low += self::ROOM;
        }

        return $places;
    }

    /**
     * @param int|null $high null: there is none behind
     *
     * @return list<int>|null so many between the two, in rising order; null where there is no room
     */
    public static function between(int $low, ?int $high, int $count): ?array
    {
        $step = $high === null ? self::ROOM : intdiv($high - $low, $count + 1);
        $places = [];
        for ($i = 1; $i <= $count; ++$i) {
            $places[] = $low + $i * $step;
        }

        return $step < 1 && $count > 0 ? null : $places;
    }

    /**
     * @param list<string> $ids
     *
     * @return array<string, int>
     */
    private static function anew(array $ids): array
    {
        $places = [];
        foreach ($ids as $i => $id) {
            $places[$id] = ($i + 1) * self::ROOM;
        }

        return $places;
    }

    /**
     * The longest run of ids whose places rise already: patience sorting (from memory).
     *
     * @param array<string, int> $was
     * @param list<string> $ids
     *
     * @return array<string, int> by id
     */
    private static function longestRise(array $was, array $ids): array
    {
        /** @var array<int, string> $tops the last id of each pile */
        $tops = [];
        /** @var array<string, string|null> $before */
        $before = [];
        foreach ($ids as $id) {
            if (! isset($was[$id])) {
                continue;
            }
            $pile = self::firstNotBelow($tops, $was, $was[$id]);
            $before[$id] = $pile === 0 ? null : $tops[$pile - 1];
            $tops[$pile] = $id;
        }
        $kept = [];
        $id = $tops[\count($tops) - 1] ?? null;
        while ($id !== null) {
            $kept[$id] = $was[$id];
            $id = $before[$id] ?? null;
        }

        return $kept;
    }

    /**
     * @param array<int, string> $tops
     * @param array<string, int> $was
     */
    private static function firstNotBelow(array $tops, array $was, int $place): int
    {
        $low = 0;
        $high = \count($tops);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($was[$tops[$middle]] < $place) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
