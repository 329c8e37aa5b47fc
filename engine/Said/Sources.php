<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** All that give a universe levels. */
final readonly class Sources extends Message
{
    /**
     * @param list<SourceLife> $sources
     */
    public function __construct(
        public string $universe,
        public string $merge,
        #[ListOf(SourceLife::class)]
        public array $sources,
    ) {
    }

    public static function type(): string
    {
        return 'sources';
    }
}
