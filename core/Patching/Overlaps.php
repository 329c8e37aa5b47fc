<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Patch;

/** Two fixtures on the same slots: wrong until somebody says that it is meant. */
final class Overlaps
{
    /**
     * @param list<string> $ids fixtures to be looked at
     *
     * @return list<array{Fixture, Fixture, int, int}> pairs that are not meant, with the first and the last slot that both have
     */
    public static function unmeant(Patch $patch, array $ids): array
    {
        $found = [];
        foreach ($ids as $id) {
            $fixture = $patch->fixtures[$id] ?? null;
            if ($fixture === null) {
                continue;
            }
            foreach ($patch->sharing($fixture) as $other) {
                $key = [$id, $other->id];
                sort($key);
                if (! Patch::isMeant($fixture, $other)) {
                    $found[implode(' ', $key)] ??= [
                        $fixture,
                        $other,
                        max($fixture->first, $other->first),
                        min($patch->lastSlot($fixture), $patch->lastSlot($other)),
                    ];
                }
            }
        }

        return array_values($found);
    }
}
