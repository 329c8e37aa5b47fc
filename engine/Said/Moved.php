<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How far a number of a message moved while somebody learned. */
final readonly class Moved extends Said
{
    /** @param int $argument its place, from 1 */
    public function __construct(public int $argument, public float $low, public float $high)
    {
    }
}
