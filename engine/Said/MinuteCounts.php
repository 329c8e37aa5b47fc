<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Packets of a port in each of the last 60 seconds. */
final readonly class MinuteCounts extends Said
{
    /**
     * @param list<int> $in
     * @param list<int> $out
     */
    public function __construct(
        #[ListOf('int')]
        public array $in,
        #[ListOf('int')]
        public array $out,
    ) {
    }
}
