<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\OutOfRange;

/** Universe numbers of sACN, 1 to 63999, and the multicast group that each has (ANSI E1.31-2018, 9.3.1). */
final class Universe
{
    public const LOWEST = 1;
    public const HIGHEST = 63999;

    public static function multicastGroup(int $universe): string
    {
        // Discovery has a universe of its own above all others (9.3.2).
        $universe === Discovery::UNIVERSE || OutOfRange::check('sACN universe', $universe, self::LOWEST, self::HIGHEST);

        return '239.255.'.($universe >> 8).'.'.($universe & 255);
    }
}
