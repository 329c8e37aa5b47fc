<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** The two ends of a route in its short form: a message at a port, and a slot of a universe. */
final readonly class Ends
{
    public function __construct(public bool $fromMessage, public MessageEnd $message, public SlotEnd $slot)
    {
    }
}
