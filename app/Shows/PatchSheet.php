<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Offer\OfferRun;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Mode;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Patch\Run;
use NimbleJunction\Core\Pixels\PixelRun;

/** Every fixture with its slots, and what they mean, as a page shows them. */
final class PatchSheet
{
    /**
     * @param list<string> $universes ids
     * @param list<Run> $runs what else stands there
     *
     * @return list<array<string, mixed>> fixtures, pixels and offers in them, in the order of their addresses
     */
    public static function of(Patch $patch, array $universes, array $runs): array
    {
        sort($universes);
        $others = [];
        foreach ($runs as $run) {
            $others["{$run->fixture()->universeId} {$run->fixture()->id}"] = $run;
        }
        $lines = [];
        foreach ($universes as $universe) {
            foreach ($patch->shared($universe) as [$fixture, $last, $sharing]) {
                $run = $fixture->profileId === '' ? $others["{$universe} {$fixture->id}"] ?? null : null;
                $lines[] = [
                    'id' => match (true) {
                        $run instanceof PixelRun => "pixels:{$fixture->id}",
                        $run instanceof OfferRun => "offer:{$fixture->id}",
                        default => $fixture->id,
                    },
                    'name' => $fixture->name,
                    'profile' => match (true) {
                        $run instanceof PixelRun => 'Pixels',
                        $run instanceof OfferRun => 'Offered',
                        default => $patch->profiles[$fixture->profileId]->name,
                    },
                    'universe' => $universe,
                    'first' => $fixture->first,
                    'last' => $last,
                    'shares' => self::sharing($fixture, $sharing),
                    ...($run instanceof PixelRun ? ['pixels' => self::pixels($run)] : []),
                    ...($run instanceof OfferRun ? ['offered' => self::offered($run)] : []),
                ];
            }
        }

        return $lines;
    }

    /** @return list<array{name: string, slots: list<int>}> what the slots of an offer are, from 1 as its first one */
    private static function offered(OfferRun $run): array
    {
        return array_map(static fn(Placed $one): array => ['name' => $one->name, 'slots' => $one->slots], $run->placed);
    }

    /** @return array<string, mixed> what the slots of pixels are of */
    private static function pixels(PixelRun $run): array
    {
        return [
            'map' => $run->map->id,
            'colours' => array_map(static fn(Parameter $one): string => $one->name, $run->map->order->parameters()),
            'stretches' => $run->stretches(),
        ];
    }

    /**
     * @param list<Fixture> $others
     *
     * @return list<array{id: string, name: string, meant: bool}>
     */
    private static function sharing(Fixture $fixture, array $others): array
    {
        return array_map(
            static fn(Fixture $other): array => [
                'id' => $other->id,
                'name' => $other->name,
                'meant' => Patch::isMeant($fixture, $other),
            ],
            $others,
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
