<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;

/** Addresses one after the other, at equal distances; where a universe ends they go on in the next one, if they may. */
final class Spread
{
    private const SLOTS = 512;

    /**
     * @param int $slots that each takes
     * @param int $every slots from one address to the next
     *
     * @return list<array{string, int}> universe and address of each
     *
     * @throws ShowRefused
     */
    public static function over(Show $show, string $universe, int $first, int $count, int $slots, int $every, bool $goesOn): array
    {
        $order = array_map(strval(...), array_keys($show->universes));
        $place = array_search($universe, $order, true);
        if ($place === false) {
            throw Refusal::of(
                'universe',
                "there is no universe \"{$universe}\"",
                'Universes are: '.implode(', ', \array_slice($order, 0, 12)).'.',
            );
        }
        if ($every < $slots) {
            throw Refusal::of(
                'every',
                "every {$every} slots is less than the {$slots} that each takes",
                "Give {$slots} or more: they would share slots.",
            );
        }
        $at = [];
        for ($i = 0; $i < $count; ++$i) {
            if ($first + $slots - 1 > self::SLOTS) {
                if (! $goesOn) {
                    $fit = \count($at);
                    throw Refusal::of(
                        'count',
                        'number '.($i + 1).' would end at slot '.($first + $slots - 1).', and a universe has 512',
                        $fit > 0
                            ? "{$fit} fit: patch so many, or let them go on in the next universe."
                            : 'Begin at '.(self::SLOTS - $slots + 1).' or below.',
                    );
                }
                ++$place;
                $first = 1;
            }
            if (! isset($order[$place])) {
                throw Refusal::of(
                    'count',
                    'number '.($i + 1).' finds no universe after the last one',
                    \count($at).' fit. Add a universe first.',
                );
            }
            $at[] = [$order[$place], $first];
            $first += $every;
        }

        return $at;
    }
}
