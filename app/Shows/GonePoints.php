<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Point\Reference;

/** Points that go with the parts that an edit deletes. */
final class GonePoints
{
    /** Kinds of points that go with a part, by its list. */
    private const KINDS = [
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
        'ports' => ['port', 'midi'],
        'routes' => ['route'],
        'offers' => ['offer'],
        'timelines' => ['timeline'],
        'timecodes' => ['timecode'],
        'occasions' => ['occasion'],
    ];

    /** @return (\Closure(string): bool)|null whether a point goes; null where none does */
    public static function of(Draft $draft): ?\Closure
    {
        $gone = [];
        foreach (self::KINDS as $list => $kinds) {
            $changes = array_filter(
                $draft->amendment()->parts[$list] ?? [],
                static fn(Change $change): bool => $change->is === null,
            );
            foreach (array_keys($changes) as $id) {
                foreach ($kinds as $kind) {
                    $gone["{$kind}:{$id}"] = true;
                }
            }
        }

        return $gone === [] ? null : static function (string $point) use ($gone): bool {
            $reference = Reference::parse($point);

            return $reference !== null && isset($gone["{$reference->kind}:{$reference->id}"]);
        };
    }
}
