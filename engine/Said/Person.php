<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Somebody who has a page open, and what is on it. */
final readonly class Person extends Said
{
    public function __construct(public string $name, public string $role, public string $place)
    {
    }
}
