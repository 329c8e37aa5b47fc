<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A trigger of a route, as the index has it. */
final readonly class Listener
{
    public function __construct(public Route $route, public Trigger $trigger)
    {
    }

    /** Where the trigger stands in its route: one alone has no number in the document. */
    public function place(): string
    {
        $number = \count($this->route->triggers) < 2 ? false : array_search($this->trigger, $this->route->triggers, true);

        return $number === false ? 'when' : "when/{$number}";
    }
}
