<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A page of a surface. */
final readonly class SurfacePage extends Said
{
    /** @param list<SurfaceControl> $controls */
    public function __construct(
        public string $id,
        public string $name,
        public int $columns,
        public int $rows,
        public bool $flows,
        #[ListOf(SurfaceControl::class)]
        public array $controls,
        public ?SurfaceTurned $turned = null,
    ) {
    }
}
