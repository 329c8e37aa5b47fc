<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Universe\Universe;

/** A route has asked for a level of a slot: what its message's event is to be told when it is known what came of it. */
final readonly class Result
{
    /**
     * @param int $slot 0 to 511
     * @param string $before 512 bytes: what left the universe until then
     */
    public function __construct(
        public Event $event,
        public Route $route,
        public int $slot,
        public int $level,
        public Universe $universe,
        public string $before,
    ) {
    }
}
