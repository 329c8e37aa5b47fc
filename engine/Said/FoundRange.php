<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A named range of values that a point has. */
final readonly class FoundRange extends Said
{
    public function __construct(public float $low, public float $high, public string $name)
    {
    }
}
