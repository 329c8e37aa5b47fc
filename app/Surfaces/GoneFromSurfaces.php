<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Shows\Draft;
use App\Shows\GonePoints;

/** Controls forget what is deleted, in the same edit. */
final class GoneFromSurfaces
{
    public static function forget(Draft $draft): void
    {
        $isGone = GonePoints::of($draft);
        if ($isGone === null) {
            return;
        }
        $bindings = new Bindings($isGone);
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
