<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn\Link;

use NimbleJunction\Core\Wire\Midi\MidiMessage;

/** How a simulated instrument is plugged in. */
interface MidiLink
{
    /** @param \Closure(MidiMessage): void $heard */
    public function start(\Closure $heard): void;

    /** @param string $bytes whole MIDI messages; they fall out of a link that is not open */
    public function send(string $bytes): void;

    public function isOpen(): bool;

    /** Where it is plugged in, in words. */
    public function spelled(): string;

    public function stop(): void;
}
