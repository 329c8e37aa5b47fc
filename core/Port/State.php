<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** How a port is. The interface shows each with a shape and a word of its own. */
enum State: string
{
    case Alive = 'alive';
    case Quiet = 'quiet';
    case Waiting = 'waiting';
    case Lost = 'lost';
    case Fault = 'fault';
    case Off = 'off';
}
