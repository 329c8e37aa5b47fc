<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** An intensity in a universe, with the masters that scale it. */
final readonly class Light
{
    /**
     * @param list<int> $slots 0 to 511, the coarsest first
     * @param int $zero its value at 0 %
     * @param list<string> $masters ids, in the order of the show
     */
    public function __construct(public array $slots, public int $zero, public array $masters)
    {
    }
}
