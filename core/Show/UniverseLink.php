<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A universe's number on the wire, and which of our universes that is. */
final readonly class UniverseLink
{
    public function __construct(public int $number, public string $universe)
    {
    }
}
