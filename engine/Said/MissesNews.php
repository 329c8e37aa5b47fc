<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Why nothing happened: what came within the last minute and did nothing, and what routes nearly took. */
final readonly class MissesNews extends Message
{
    /**
     * @param list<UnansweredLine> $came the latest first
     * @param list<NearLine> $near the latest of each route, the latest first
     */
    public function __construct(
        public float $now,
        #[ListOf(UnansweredLine::class)]
        public array $came,
        #[ListOf(NearLine::class)]
        public array $near,
    ) {
    }

    public static function type(): string
    {
        return 'misses';
    }
}
