<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One address that moves. */
final readonly class LearnCandidate extends Said
{
    /**
     * @param float $movedAt milliseconds of the engine's clock
     * @param list<Moved> $moved its numbers
     */
    public function __construct(
        public string $address,
        public string $words,
        public int $count,
        public float $movedAt,
        #[ListOf(Moved::class)]
        public array $moved,
    ) {
    }
}
