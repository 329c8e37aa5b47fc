<?php

declare(strict_types=1);

namespace App\Surfaces;

use App\Shows\Draft;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Show\ShowRefused;

/** A surface that is locked keeps its pages, and stays, until somebody unlocks it. */
final class LockedSurfaces
{
    /** @throws ShowRefused where an edit touches the pages of one */
    public static function refuse(Draft $draft): void
    {
        $faults = [];
        foreach ($draft->amendment()->parts['surfaces'] ?? [] as $id => $change) {
            if (self::isTouched($change)) {
                $place = (int) array_search((string) $id, $draft->ids('surfaces'), true);
                $faults[] = new Fault(
                    "/surfaces/{$place}/pages",
                    "the surface \"{$change->name((string) $id)}\" is locked",
                    'Unlock it first, where it is built; then change its pages, or delete it.',
                );
            }
        }
        if ($faults !== []) {
            throw ShowRefused::because($faults);
        }
    }

    private static function isTouched(Change $change): bool
    {
        $was = $change->was->part ?? [];
        if (($was['locked'] ?? false) !== true) {
            return false;
        }
        $is = $change->is?->part;
        $isUnlocked = $is !== null && ($is['locked'] ?? false) !== true;

        return $is === null || (! $isUnlocked && ($is['pages'] ?? []) !== ($was['pages'] ?? []));
    }
}
