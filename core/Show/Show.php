<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Profile;

/** A show document, read and found sound. */
final readonly class Show
{
    public const FORMAT = 'nimble-junction/show';
    public const VERSION = 2;

    /**
     * @param array<string, UniverseEntry> $universes by id
     * @param array<string, PortEntry> $ports by id
     * @param array<string, RouteEntry> $routes by id
     * @param array<string, CopyEntry> $copies by id
     * @param array<string, Profile> $profiles by id
     * @param array<string, Fixture> $fixtures by id
     * @param array<string, ValueEntry> $values by id
     * @param int $middleC octave number of note 60, 3 to 5: makers differ
     */
    public function __construct(
        public string $name,
        public array $universes,
        public array $ports,
        public array $routes,
        public array $copies = [],
        public int $middleC = 4,
        public array $profiles = [],
        public array $fixtures = [],
        public array $values = [],
    ) {
    }

    public function patch(): Patch
    {
        return new Patch($this->profiles, $this->fixtures);
    }
}
