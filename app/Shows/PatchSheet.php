<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placed;

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
            'shares' => self::sharing($patch, $fixture),
            'parameters' => self::parameters($patch->footprint($fixture), $fixture->first),
        ], $fixtures);
    }

    /** @return list<array{id: string, name: string, meant: bool}> */
    private static function sharing(Patch $patch, Fixture $fixture): array
    {
        return array_map(
            static fn(Fixture $other): array => ['id' => $other->id, 'name' => $other->name, 'meant' => Patch::isMeant($fixture, $other)],
            $patch->sharing($fixture),
        );
    }

    /** @return list<array<string, mixed>> */
    private static function parameters(Footprint $footprint, int $first): array
    {
        return array_map(static fn(Placed $one): array => [
            'key' => $one->key,
            'name' => $one->name,
            'slots' => array_map(static fn(int $slot): int => $first - 1 + $slot, $one->slots),
            'kind' => $one->parameter->kind->value,
            'highest' => $one->parameter->precedence->takesHighest($one->parameter->kind),
        ], $footprint->placed);
    }
}
