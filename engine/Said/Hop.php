<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One step of what happened. */
final readonly class Hop extends Said
{
    /**
     * @param string $bytes hexadecimal, the first of them
     * @param Relax|null $relax what would have made it fit
     */
    public function __construct(
        public string $step,
        public string $words,
        public string $bytes,
        public int $length,
        public ?string $route,
        public ?Relax $relax,
    ) {
    }
}
