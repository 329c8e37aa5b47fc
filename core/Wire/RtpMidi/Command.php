<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/** One entry of a MIDI list: how long after the one before, and its bytes with their status. */
final readonly class Command
{
    /**
     * @param int $delta ticks of the session's clock, 0 to 268435455
     * @param string $bytes a whole MIDI command, or a segment of System Exclusive
     */
    public function __construct(public string $bytes, public int $delta = 0)
    {
    }
}
