<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Change;

/**
 * What only lists fixtures, pixel maps and offers forgets those that are deleted, in the same edit: who they shared slots
 * with.
 */
final class GoneFixtures
{
    /** The fields that list fixtures, by list. */
    private const LISTING = [
        'fixtures' => 'sharesWith',
        'groups' => 'members',
        'pixels' => 'sharesWith',
        'offers' => 'sharesWith',
    ];

    public static function forget(Draft $draft): void
    {
        $gone = [];
        foreach (['fixtures', 'pixels', 'offers'] as $list) {
            $changes = $draft->amendment()->parts[$list] ?? [];
            $ids = array_keys(array_filter($changes, static fn(Change $change): bool => $change->is === null));
            array_push($gone, ...array_map(strval(...), $ids));
        }
        if ($gone === []) {
            return;
        }
        foreach (self::LISTING as $list => $field) {
            $rows = $draft->rows($list)->whereRaw('instr(definition, ?)', ["\"{$field}\""])->pluck('key')->all();
            foreach (array_map(strval(...), $rows) as $id) {
                $part = $draft->part($list, $id);
                $named = $part[$field] ?? null;
                if ($part === null || ! \is_array($named) || array_intersect($named, $gone) === []) {
                    continue;
                }
                $left = array_values(array_diff($named, $gone));
                $draft->put($list, $id, [...array_diff_key($part, [$field => true]), ...($left === [] ? [] : [$field => $left])]);
            }
        }
    }
}
