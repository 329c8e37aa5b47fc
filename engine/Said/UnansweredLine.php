<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A message that came within the last minute and did nothing. */
final readonly class UnansweredLine extends Said
{
    /**
     * @param float $cameAt milliseconds of the engine's clock
     * @param string $why which route nearly took it, or that none listens for it
     * @param string $route the one that nearly took it; '' for none
     * @param list<LearnWay> $ways what a route may wait for, the usual way first
     */
    public function __construct(
        public string $port,
        public string $address,
        public string $words,
        public string $from,
        public int $count,
        public float $cameAt,
        public string $why,
        public string $route,
        #[ListOf(LearnWay::class)]
        public array $ways,
    ) {
    }
}
