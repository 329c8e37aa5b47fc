<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

/** A message that MIDI has bytes for. */
interface Encodable
{
    /** @return string one or more whole MIDI messages */
    public function encode(): string;
}
