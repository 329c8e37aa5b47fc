<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Profile;

/** Every fixture with its slots and those of its parameters, as a page shows them. */
final class PatchSheet
{
    /**
     * @param array<string, Fixture> $fixtures of the patch
     *
     * @return list<array<string, mixed>> in the order of their addresses
     */
    public static function of(Patch $patch, array $fixtures): array
    {
        $fixtures = array_values($fixtures);
        usort($fixtures, static fn(Fixture $a, Fixture $b): int => [$a->universeId, $a->first] <=> [$b->universeId, $b->first]);

        return array_map(static fn(Fixture $fixture): array => [
            'id' => $fixture->id,
            'name' => $fixture->name,
            'profile' => $patch->profiles[$fixture->profileId]->name,
            'universe' => $fixture->universeId,
            'first' => $fixture->first,
            'last' => $patch->lastSlot($fixture),
            'shares' => $patch->sharing($fixture),
            'parameters' => self::parameters($patch->profiles[$fixture->profileId], $fixture->first),
        ], $fixtures);
    }

    /** @return list<array<string, mixed>> */
    private static function parameters(Profile $profile, int $first): array
    {
        $parameters = [];
        foreach ($profile->places() as $name => $places) {
            $slots = array_map(static fn(int $place): int => $first - 1 + $place, $places);
            $parameters[] = [
                'name' => (string) $name,
                'slots' => $slots,
                'intensity' => $profile->parameter((string) $name)->isIntensity ?? false,
            ];
        }

        return $parameters;
    }
}
