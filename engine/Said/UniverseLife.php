<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a universe is. */
final readonly class UniverseLife extends Said
{
    /**
     * @param list<string> $leaders
     * @param int $raised slots that are not 0
     */
    public function __construct(
        public bool $spoken,
        public int $sources,
        #[ListOf('string')]
        public array $leaders,
        public ?int $priority,
        public int $raised,
    ) {
    }
}
