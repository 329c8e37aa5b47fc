<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Patch\NamedRange;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Profile;

/** What a fixture type does not say of a profile: found by reading the file again that is written of it. */
final class NotWritten
{
    /** @return list<string> a line for each parameter that says less in the file, and each of its fields that does */
    public static function of(Profile $profile): array
    {
        $read = self::read($profile);
        $lines = [];
        foreach (array_values($profile->byMode) as $i => $mode) {
            $again = array_values($read->byMode)[$i]->footprint->placed ?? [];
            $name = $mode->name === '' ? '' : "{$mode->name}, ";
            foreach (self::once($mode->footprint->placed) as $k => $placed) {
                $left = isset($again[$k]) ? self::differing($placed->parameter, $again[$k]->parameter) : ['all of it'];
                if ($left !== []) {
                    $lines[] = "{$name}{$placed->name}: ".implode(', ', $left);
                }
            }
        }

        return $lines;
    }

    private static function read(Profile $profile): Profile
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $taken = FixtureTypes::fromXml(FixtureTypeWriter::xml($profile))->profile;

        return Reading::with(new Kinds())->part(new Fields(['id' => $profile->id, ...$taken], '', $faults), Profile::class);
    }

    /**
     * @param list<Placed> $placed
     *
     * @return array<int, Placed> of cells the first ones, by their places
     */
    private static function once(array $placed): array
    {
        $seen = [];
        foreach ($placed as $k => $one) {
            $seen[$one->path] ??= $k;
        }

        return array_intersect_key($placed, array_flip($seen));
    }

    /** @return list<string> what is otherwise, in words */
    private static function differing(Parameter $ours, Parameter $theirs): array
    {
        $said = [
            'what points call it' => static fn(Parameter $one): string => $one->key,
            'what it does' => static fn(Parameter $one): mixed => $one->role,
            'its kind' => static fn(Parameter $one): mixed => $one->kind,
            'how it merges' => static fn(Parameter $one): mixed => $one->precedence,
            'its default' => static fn(Parameter $one): int => $one->default,
            'its safe value' => static fn(Parameter $one): int => $one->safe,
            'that it is never driven' => static fn(Parameter $one): bool => $one->neverDriven,
            'what its first and its last value are' => self::ends(...),
            'its named ranges' => static fn(Parameter $one): array => array_map(
                static fn(NamedRange $range): array => [$range->name, $range->first, $range->last],
                $one->ranges,
            ),
        ];

        return array_keys(array_filter($said, static fn(\Closure $of): bool => $of($ours) !== $of($theirs)));
    }

    /** @return list<float|int|string> its unit, what it is at both ends, and what the device is told there */
    private static function ends(Parameter $parameter): array
    {
        [$low, $high] = $parameter->ends();
        $value = static fn(float $physical): int => $parameter->value($parameter->shareOf($physical));

        return [$parameter->unit, round($low, 4), round($high, 4), $value($low), $value($high)];
    }
}
