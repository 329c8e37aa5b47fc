<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What moves at a port while somebody learns, the one that moved last first. */
final readonly class LearnNews extends Message
{
    /**
     * @param list<LearnCandidate> $candidates
     * @param int $more so many that moved longer ago are not named
     */
    public function __construct(
        public string $port,
        public float $now,
        #[ListOf(LearnCandidate::class)]
        public array $candidates,
        public int $more,
    ) {
    }

    public static function type(): string
    {
        return 'learn';
    }
}
