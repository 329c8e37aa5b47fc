<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\ShapeEntry;

final readonly class UniverseEntry
{
    /**
     * @param list<ShapeEntry> $shapes later ones lie above earlier ones
     */
    public function __construct(public string $id, public string $name, public Rules $rules = new Rules(), public array $shapes = [])
    {
    }
}
