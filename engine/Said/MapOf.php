<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What stands under each name. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class MapOf
{
    /** @param string $type a class of this folder, or a type of PHP */
    public function __construct(public string $type)
    {
    }
}
