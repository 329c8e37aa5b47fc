<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Points that were looked for. */
final readonly class FoundPoints extends Said
{
    /**
     * @param list<FoundPoint> $points
     */
    public function __construct(
        #[ListOf(FoundPoint::class)]
        public array $points,
    ) {
    }
}
