<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A button, and what it changes in the port. */
final readonly class FindingFix extends Said
{
    /**
     * @param array<string, mixed> $changes by path
     */
    public function __construct(
        public string $label,
        #[MapOf('mixed')]
        public array $changes,
    ) {
    }
}
