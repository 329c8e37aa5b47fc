<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Point\Reference;

/**
 * Looks, cues, waves and masters forget fixtures, groups and universes that are deleted, in the same edit: what they gave
 * goes with them.
 */
final class GoneFromProgramme
{
    /** Kinds of points that go with a part, by its list. */
    private const POINTS = [
        'fixtures' => ['fixture', 'light'],
        'groups' => ['group'],
        'universes' => ['slot', 'hold'],
        'values' => ['value'],
    ];

    /** Lists of ids that masters have, by the list that they are ids of. */
    private const NAMED = ['fixtures', 'groups', 'universes', 'looks', 'lists'];

    public static function forget(Draft $draft): void
    {
        $gone = [];
        foreach (array_unique([...array_keys(self::POINTS), ...self::NAMED]) as $list) {
            $changes = $draft->amendment()->parts[$list] ?? [];
            $gone[$list] = array_map(
                strval(...),
                array_keys(array_filter($changes, static fn(Change $change): bool => $change->is === null)),
            );
        }
        if (array_filter($gone) === []) {
            return;
        }
        foreach (['looks', 'lists', 'masters', 'waves'] as $list) {
            $draft->read($list, $draft->ids($list));
            foreach ($draft->ids($list) as $id) {
                $part = $draft->part($list, $id);
                $left = $part === null ? null : match ($list) {
                    'looks' => self::withoutValues($part, 'values', $gone),
                    'waves' => self::withoutValues($part, 'on', $gone),
                    'lists' => self::withoutCueValues($part, $gone),
                    default => self::withoutNames($part, $gone),
                };
                if ($left !== null && $left !== $part) {
                    $draft->put($list, $id, $left);
                }
            }
        }
    }

    /**
     * @param array<string, mixed> $part with values
     * @param string $field that they stand in
     * @param array<string, list<string>> $gone ids by list
     *
     * @return array<string, mixed>
     */
    private static function withoutValues(array $part, string $field, array $gone): array
    {
        $values = $part[$field] ?? null;
        if (! \is_array($values)) {
            return $part;
        }
        $left = array_values(array_filter(
            $values,
            static fn(mixed $value): bool => ! \is_array($value) || ! self::isGone($value['point'] ?? null, $gone),
        ));

        return \count($left) === \count($values)
            ? $part
            : [...array_diff_key($part, [$field => 0]), ...($left === [] ? [] : [$field => $left])];
    }

    /**
     * @param array<string, mixed> $part a cue list
     * @param array<string, list<string>> $gone ids by list
     *
     * @return array<string, mixed>
     */
    private static function withoutCueValues(array $part, array $gone): array
    {
        $cues = $part['cues'] ?? null;

        return ! \is_array($cues) ? $part : [
            ...$part,
            'cues' => array_map(
                static fn(mixed $cue): mixed => \is_array($cue) ? self::withoutValues($cue, 'values', $gone) : $cue,
                $cues,
            ),
        ];
    }

    /**
     * @param array<string, mixed> $part a master
     * @param array<string, list<string>> $gone ids by list
     *
     * @return array<string, mixed>
     */
    private static function withoutNames(array $part, array $gone): array
    {
        foreach (self::NAMED as $field) {
            $named = $part[$field] ?? null;
            if (\is_array($named) && array_intersect($named, $gone[$field]) !== []) {
                $part[$field] = array_values(array_diff($named, $gone[$field]));
            }
        }

        return $part;
    }

    /** @param array<string, list<string>> $gone ids by list */
    private static function isGone(mixed $point, array $gone): bool
    {
        $reference = \is_string($point) ? Reference::parse($point) : null;
        foreach ($reference === null ? [] : self::POINTS as $list => $kinds) {
            if (\in_array($reference->kind, $kinds, true) && \in_array($reference->id, $gone[$list], true)) {
                return true;
            }
        }

        return false;
    }
}
