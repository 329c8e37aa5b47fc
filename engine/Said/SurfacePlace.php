<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Where a control stands on a screen of the other orientation. */
final readonly class SurfacePlace extends Said
{
    public function __construct(
        public string $control,
        public int $column,
        public int $row,
        public int $width,
        public int $height,
    ) {
    }
}
