<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How strictly a route may wait for what was learned. */
final readonly class LearnWay extends Said
{
    /**
     * @param array<string, mixed> $part a trigger of the show document
     */
    public function __construct(
        public string $words,
        #[MapOf('mixed')]
        public array $part,
    ) {
    }
}
