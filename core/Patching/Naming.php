<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

/** Names and numbers of several that are made at once: "Fern 1", "Fern 2", going on from the number that a name ends with. */
final class Naming
{
    /** @param int $place from 0 */
    public static function name(string $name, int $place, int $count): string
    {
        if (preg_match('/^(.*?)(\d{1,6})$/uD', $name, $found) === 1) {
            return $found[1].str_pad((string) ((int) $found[2] + $place), \strlen($found[2]), '0', \STR_PAD_LEFT);
        }

        return $count === 1 ? $name : $name.' '.($place + 1);
    }

    /** @return array<string, int> the number, where there is one */
    public static function number(?int $first, int $place): array
    {
        return $first === null ? [] : ['number' => $first + $place];
    }
}
