<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** New points of a value over time. */
final readonly class ScopeNews extends Message
{
    /**
     * @param list<array{float, float}> $points milliseconds of the engine's clock, and the value
     */
    public function __construct(
        public string $subject,
        public int $from,
        public int $next,
        public float $now,
        #[ListOf('array{float, float}')]
        public array $points,
        public string $words,
        public float $rate,
        public float $arrivals,
        public float $step,
        public float $jitter,
    ) {
    }

    public static function type(): string
    {
        return 'scope';
    }
}
