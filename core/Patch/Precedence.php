<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Who has a parameter that several give, where a universe merges slot by slot. */
enum Precedence: string
{
    case ByKind = 'kind';
    case Highest = 'htp';
    case Latest = 'ltp';

    public const TITLES = [
        'kind' => 'as its kind says: intensity HTP, everything else LTP',
        'htp' => 'HTP: highest takes precedence',
        'ltp' => 'LTP: latest takes precedence',
    ];

    public function takesHighest(ParameterKind $kind): bool
    {
        return $this === self::ByKind ? $kind->takesHighest() : $this === self::Highest;
    }
}
