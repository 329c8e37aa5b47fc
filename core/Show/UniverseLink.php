<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A universe's number on the wire, and which of our universes that is. */
final readonly class UniverseLink
{
    /** @param int $rank where an interface has fewer lines than universes, the lowest number goes first */
    public function __construct(public int $number, public string $universe, public int $rank = 1)
    {
    }
}
