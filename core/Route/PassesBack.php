<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A step that changes when a value passes, or only trims it: back it passes as it is. */
trait PassesBack
{
    public function reversed(float $value): float
    {
        return $value;
    }
}
