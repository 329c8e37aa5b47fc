<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What happens to a run of slots on the way out. */
final readonly class ShapeEntry
{
    /**
     * @param int $first 1 to 512
     * @param int $last $first to 512
     * @param int $low level that nothing goes below, 0 to 255
     * @param int $high level that nothing goes above, $low to 255
     */
    public function __construct(public int $first, public int $last, public Curve $curve, public bool $inverted, public int $low, public int $high)
    {
    }
}
