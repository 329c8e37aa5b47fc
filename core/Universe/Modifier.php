<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What is done to a parameter after merging: scaled, and added to. */
final readonly class Modifier
{
    /**
     * @param list<int> $slots 0 to 511, the coarsest first
     * @param int $zero its value at 0 %
     * @param int $highest that its slots can hold
     * @param string $name of whoever does it
     */
    public function __construct(
        public array $slots,
        public int $zero,
        public int $highest,
        public float $factor,
        public float $add,
        public string $name,
    ) {
    }
}
