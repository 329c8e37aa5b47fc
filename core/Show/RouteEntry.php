<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Route\Route;

/**
 * A route of the show: when this, do that. Most are a message that sets a slot, or a slot that is told to another
 * end; these have the short form, with two ends.
 */
final readonly class RouteEntry
{
    /**
     * @param Ends|null $ends of the short form; null where it has its trigger, steps and actions one by one
     * @param Route|null $route as it runs; null for a slot that is told to another end, which keeps in mind what that shows
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public ?Ends $ends,
        public ?Route $route,
    ) {
    }
}
