<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A trigger of a route, as the index has it. */
final readonly class Listener
{
    public function __construct(public Route $route, public Trigger $trigger)
    {
    }
}
