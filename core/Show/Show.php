<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A show document, read and found sound. */
final readonly class Show
{
    public const FORMAT = 'nimble-junction/show';
    public const VERSION = 1;

    /**
     * @param array<string, UniverseEntry> $universes by id
     * @param array<string, PortEntry> $ports by id
     * @param array<string, RouteEntry> $routes by id
     */
    public function __construct(
        public string $name,
        public array $universes,
        public array $ports,
        public array $routes,
    ) {
    }
}
