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
     * @param array<string, RangeEntry> $ranges by id
     * @param int $middleC octave number of note 60, 3 to 5: makers differ
     */
    public function __construct(
        public string $name,
        public array $universes,
        public array $ports,
        public array $routes,
        public array $ranges = [],
        public int $middleC = 4,
    ) {
    }
}
