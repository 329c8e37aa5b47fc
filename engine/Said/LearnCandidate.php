<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One address that moves. */
final readonly class LearnCandidate extends Said
{
    /**
     * @param string $name what it is called, without the value that came
     * @param float $movedAt milliseconds of the engine's clock
     * @param list<Moved> $moved its numbers
     * @param int $argument the one that moved most, from 1
     * @param list<LearnWay> $ways what a route may wait for, the usual way first
     */
    public function __construct(
        public string $address,
        public string $name,
        public string $words,
        public int $count,
        public float $movedAt,
        #[ListOf(Moved::class)]
        public array $moved,
        #[ListOf(LearnWay::class)]
        public array $ways,
        public int $argument,
    ) {
    }
}
