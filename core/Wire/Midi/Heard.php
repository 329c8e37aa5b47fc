<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\Malformed;

/** What a stream said: a message, or what was wrong with it; and where its bytes were, counted over the whole stream. */
final readonly class Heard
{
    public function __construct(public MidiMessage|Malformed $what, public int $offset, public int $length)
    {
    }
}
