<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Patch;

/** Every fixture with its slots and those of its parameters, as a page shows them. */
final class PatchSheet
{
    /** @return list<array<string, mixed>> in the order of their addresses */
    public static function of(Patch $patch): array
    {
        $fixtures = array_values($patch->fixtures);
        usort($fixtures, static fn(Fixture $a, Fixture $b): int => [$a->universeId, $a->first] <=> [$b->universeId, $b->first]);

        return array_map(static fn(Fixture $fixture): array => [
            'id' => $fixture->id,
            'name' => $fixture->name,
            'profile' => $patch->profiles[$fixture->profileId]->name,
            'universe' => $fixture->universeId,
            'first' => $fixture->first,
            'last' => $patch->lastSlot($fixture),
            'shares' => $patch->sharing($fixture),
            'parameters' => array_values(array_map(static fn(array $place): array => self::parameter($place[0], $fixture->first + $place[1]), $patch->profiles[$fixture->profileId]->places())),
        ], $fixtures);
    }

    /** @return array<string, mixed> */
    private static function parameter(Parameter $parameter, int $first): array
    {
        return ['name' => $parameter->name, 'first' => $first, 'last' => $first + $parameter->width - 1, 'intensity' => $parameter->isIntensity];
    }
}
