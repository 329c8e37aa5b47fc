<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Universe\MergeRule;
use NimbleJunction\Core\Universe\WhenLost;

final readonly class UniverseEntry
{
    public function __construct(public string $id, public string $name, public MergeRule $merge, public WhenLost $whenLost = new WhenLost())
    {
    }
}
