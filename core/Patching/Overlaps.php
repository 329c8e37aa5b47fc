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
     * @param list<Fixture> $others what else listens, and is to be looked at
     *
     * @return list<array{Fixture, Fixture, int, int}> pairs that are not meant, with the first and the last slot that both have
     */
    public static function unmeant(Patch $patch, array $ids, array $others = []): array
    {
        $found = [];
        $fixtures = array_filter(array_map(static fn(string $id): ?Fixture => $patch->fixtures[$id] ?? null, $ids));
        foreach ([...array_values($fixtures), ...$others] as $fixture) {
            foreach ($patch->sharing($fixture) as $other) {
                $key = ["{$fixture->profileId}:{$fixture->id}", "{$other->profileId}:{$other->id}"];
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
