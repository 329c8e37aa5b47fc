<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** One whole MIDI message, with its status byte. */
interface MidiMessage
{
    public function encode(): string;
}
