<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A point has another value. */
final readonly class PointNews extends Message
{
    public function __construct(
        public string $point,
        public int|float|string|null $value,
    ) {
    }

    public static function type(): string
    {
        return 'point';
    }
}
