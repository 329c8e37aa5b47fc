<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Route;

/** What a route nearly took, and why not. */
final readonly class NearlyTaken
{
    /**
     * @param int $count how often within a minute
     * @param int $at when last, on the junction's clock
     */
    public function __construct(
        public Route $route,
        public Event $event,
        public Missed $missed,
        public int $count,
        public int $at,
    ) {
    }

    /** What it nearly took, in words. */
    public function what(int $middleC): string
    {
        return $this->event instanceof Heard ? $this->event->message->spelled($middleC) : ltrim($this->event->keys()[0], '*');
    }
}
