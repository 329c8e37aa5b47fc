<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\ShapeEntry;

final readonly class UniverseEntry
{
    /**
     * @param list<ShapeEntry> $shapes later ones lie above earlier ones
     * @param list<array{first: int, with: int, count: int}> $swaps runs of slots that change places on the way out, from slot 1
     */
    public function __construct(public string $id, public string $name, public Rules $rules = new Rules(), public array $shapes = [], public array $swaps = [])
    {
    }
}
