<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** How a port is. The interface shows each with a shape and a word of its own. */
enum State: string
{
    case Alive = 'alive';

    /** Losing, uneven, or only some of what it carries. */
    case Unsteady = 'unsteady';

    /** Was regular and is overdue. */
    case Silent = 'silent';

    /** Speaks only when something happens, and nothing does. */
    case Quiet = 'quiet';
    case Waiting = 'waiting';
    case Lost = 'lost';
    case Fault = 'fault';
    case Off = 'off';

    /** It should be heard, and is not, or not as it should. */
    public function isTrouble(): bool
    {
        return \in_array($this, [self::Lost, self::Fault, self::Unsteady, self::Silent], true);
    }
}
