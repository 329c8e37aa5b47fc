<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

/** Who may use a surface, besides the people of the show. */
enum Entry: string
{
    case People = 'people';
    case Code = 'code';
    case Network = 'network';

    public const TITLES = [
        'people' => 'nobody: only who logs in',
        'code' => 'whoever has its pass code',
        'network' => 'everybody in these networks',
    ];
}
