<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Shows\Draft;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Point\Reference;

/** Controls forget what is deleted, in the same edit. */
final class GoneFromSurfaces
{
    /** Kinds of points that go with a part, by its list. */
    private const POINTS = [
        'fixtures' => ['fixture', 'light'],
        'groups' => ['group'],
        'universes' => ['slot', 'hold', 'arriving'],
        'values' => ['value'],
        'pixels' => ['pixels', 'dot'],
        'looks' => ['look'],
        'lists' => ['list'],
        'masters' => ['master'],
        'waves' => ['wave'],
        'tempos' => ['tempo'],
        'ports' => ['port'],
        'routes' => ['route'],
        'offers' => ['offer'],
    ];

    public static function forget(Draft $draft): void
    {
        $gone = [];
        foreach (self::POINTS as $list => $kinds) {
            $changes = array_filter($draft->amendment()->parts[$list] ?? [], static fn(Change $change): bool => $change->is === null);
            foreach (array_keys($changes) as $id) {
                foreach ($kinds as $kind) {
                    $gone["{$kind}:{$id}"] = true;
                }
            }
        }
        if ($gone === []) {
            return;
        }
        $bindings = new Bindings(static function (string $point) use ($gone): bool {
            $reference = Reference::parse($point);

            return $reference !== null && isset($gone["{$reference->kind}:{$reference->id}"]);
        });
        $draft->read('surfaces', $draft->ids('surfaces'));
        foreach ($draft->ids('surfaces') as $id) {
            $part = $draft->part('surfaces', $id);
            $left = $part === null ? null : $bindings->without($part);
            if ($left !== null && $left !== $part) {
                $draft->put('surfaces', $id, $left);
            }
        }
    }
}
