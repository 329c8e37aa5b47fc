<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Route;

/** A value of a route that goes on later: after a step, from a step that goes on by itself, or with an action. */
final readonly class Later
{
    /**
     * @param int $step the one after which it goes on, from 0
     * @param float|null $value null where the step itself says what it is then
     * @param int $source which of the route's triggers it came by
     * @param list<int> $place of the action that goes on, where the value is through all steps; empty for the first
     */
    public function __construct(
        public int $at,
        public Route $route,
        public int $step,
        public ?float $value,
        public Event $event,
        public int $source,
        public array $place = [],
    ) {
    }
}
