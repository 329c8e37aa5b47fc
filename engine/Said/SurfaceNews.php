<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A surface as it is built; it has no pages where it is not there, or not any more. */
final readonly class SurfaceNews extends Message
{
    /** @param list<SurfacePage> $pages */
    public function __construct(
        public string $surface,
        public string $name,
        public bool $kiosk,
        #[ListOf(SurfacePage::class)]
        public array $pages,
    ) {
    }

    public static function type(): string
    {
        return 'surface';
    }
}
