<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What the items of a list are. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class ListOf
{
    /** @param string $type a class of this folder, or a type of PHP */
    public function __construct(public string $type)
    {
    }
}
