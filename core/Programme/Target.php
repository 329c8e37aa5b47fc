<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** Where a parameter is to go. */
final readonly class Target
{
    /** @param int $value 0 to the highest of its slots */
    public function __construct(public Lane $lane, public int $value)
    {
    }
}
