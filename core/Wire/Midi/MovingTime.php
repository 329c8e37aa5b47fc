<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\TimeCode;

/** A time that eight quarter frames made up, and which way the tape runs. */
final readonly class MovingTime
{
    /**
     * @param TimeCode $stamp as it was sent: of the frame in which the first of the eight pieces came
     * @param TimeCode $now the frame that it is now
     * @param int $direction 1 forwards, −1 backwards
     */
    public function __construct(public TimeCode $stamp, public TimeCode $now, public int $direction)
    {
    }
}
