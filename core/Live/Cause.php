<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Trace\Event as TraceEvent;

/**
 * An event that a turn has to deal with, how deep in a chain of routes it came to be, the record that tells of its
 * root, and whether it is something that we have sent ourselves and that came back.
 */
final readonly class Cause
{
    public function __construct(public Event $event, public int $depth, public ?TraceEvent $record, public bool $isOurOwn = false)
    {
    }
}
