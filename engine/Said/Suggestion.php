<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A part of the show document that fits what was asked about. */
final readonly class Suggestion extends Said
{
    /**
     * @param array<string, mixed> $part
     */
    public function __construct(
        #[MapOf('mixed')]
        public array $part,
    ) {
    }
}
