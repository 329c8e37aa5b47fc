<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How an occasion stands. */
final readonly class OccasionLife extends Said
{
    /**
     * @param string $words when it happens
     * @param float|null $next when it comes next, in seconds since 1970
     * @param float|null $last when it came last
     */
    public function __construct(
        public string $id,
        public string $words,
        public bool $isOn,
        public ?float $next,
        public ?float $last,
    ) {
    }
}
