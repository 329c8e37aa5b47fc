<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A step that can be gone back: what its target is now becomes what would have led there. */
interface Reversible extends Step
{
    /** Of what comes out, what went in: a value that nothing leads to becomes the nearest. */
    public function reversed(float $value): float;
}
