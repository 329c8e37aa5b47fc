<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a route would have to say for something to fit that it nearly took. */
final readonly class Relax extends Said
{
    /**
     * @param string $part where it stands in the route, like "when/0"; '' for the route itself
     * @param array<string, mixed> $fields null for one that is left out
     */
    public function __construct(
        public string $part,
        #[MapOf('mixed')]
        public array $fields,
    ) {
    }
}
