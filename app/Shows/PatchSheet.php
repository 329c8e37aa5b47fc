<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Mode;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Pixels\PixelRun;

/** Every fixture with its slots, and what they mean, as a page shows them. */
final class PatchSheet
{
    /**
     * @param array<string, Fixture> $fixtures of the patch
     * @param list<PixelRun> $runs of pixel maps
     *
     * @return list<array<string, mixed>> in the order of their addresses
     */
    public static function of(Patch $patch, array $fixtures, array $runs): array
    {
        $lines = [...self::ofFixtures($patch, $fixtures), ...array_map(
            static fn(PixelRun $run): array => self::ofRun($patch, $run),
            $runs,
        )];
        usort($lines, static fn(array $a, array $b): int => [$a['universe'], $a['first']] <=> [$b['universe'], $b['first']]);

        return $lines;
    }

    /** @return array<string, mixed> pixels on the patch: with what their slots are of */
    private static function ofRun(Patch $patch, PixelRun $run): array
    {
        $fixture = $run->fixture();

        return [
            'id' => "pixels:{$fixture->id}",
            'name' => $fixture->name,
            'profile' => 'Pixels',
            'universe' => $fixture->universeId,
            'first' => $fixture->first,
            'last' => $run->last(),
            'shares' => self::sharing($patch, $fixture),
            'pixels' => [
                'map' => $fixture->id,
                'colours' => array_map(static fn(Parameter $one): string => $one->name, $run->map->order->parameters()),
                'stretches' => $run->stretches(),
            ],
        ];
    }

    /**
     * @param array<string, Fixture> $fixtures
     *
     * @return list<array<string, mixed>>
     */
    private static function ofFixtures(Patch $patch, array $fixtures): array
    {
        return array_map(static fn(Fixture $fixture): array => [
            'id' => $fixture->id,
            'name' => $fixture->name,
            'profile' => $patch->profiles[$fixture->profileId]->name,
            'universe' => $fixture->universeId,
            'first' => $fixture->first,
            'last' => $patch->lastSlot($fixture),
            'shares' => self::sharing($patch, $fixture),
        ], array_values($fixtures));
    }

    /** @return list<array{id: string, name: string, meant: bool}> */
    private static function sharing(Patch $patch, Fixture $fixture): array
    {
        return array_map(
            static fn(Fixture $other): array => [
                'id' => $other->id,
                'name' => $other->name,
                'meant' => Patch::isMeant($fixture, $other),
            ],
            $patch->sharing($fixture),
        );
    }

    /**
     * What the slots of kinds of fixtures mean, in each of their modes: every fixture of it has the same from its address on.
     *
     * @param array<string, Profile> $profiles
     *
     * @return array<string, object> by profile; lists of parameters by mode, '' for one alone; slots from 1
     */
    public static function footprints(array $profiles): array
    {
        return array_map(
            static fn(Profile $profile): object => (object) array_map(
                static fn(Mode $mode): array => self::footprint($mode->footprint),
                $profile->byMode,
            ),
            $profiles,
        );
    }

    /** @return list<array<string, mixed>> */
    private static function footprint(Footprint $footprint): array
    {
        return array_map(static fn(Placed $one): array => [
            'key' => $one->key,
            'name' => $one->name,
            'slots' => $one->slots,
            'path' => $one->path,
            'kind' => $one->parameter->kind->value,
            'highest' => $one->parameter->precedence->takesHighest($one->parameter->kind),
            'never' => $one->parameter->neverDriven,
            'virtual' => $one->isVirtual,
        ], array_values($footprint->byKey));
    }
}
