<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a route nearly took within the last minute. */
final readonly class NearLine extends Said
{
    /**
     * @param float $cameAt milliseconds of the engine's clock
     * @param Relax|null $relax what would have made it fit; null where that cannot be said
     */
    public function __construct(
        public string $route,
        public string $what,
        public string $reason,
        public int $count,
        public float $cameAt,
        public ?Relax $relax,
    ) {
    }
}
