<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a person should know of the engine. */
final readonly class WarningLine extends Said
{
    /**
     * @param int $at seconds since 1970
     */
    public function __construct(
        public string $key,
        public string $words,
        public int $at,
    ) {
    }
}
