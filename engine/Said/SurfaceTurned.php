<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A page's layout of its own for screens of the other orientation. */
final readonly class SurfaceTurned extends Said
{
    /** @param list<SurfacePlace> $places */
    public function __construct(
        public int $columns,
        public int $rows,
        #[ListOf(SurfacePlace::class)]
        public array $places,
    ) {
    }
}
