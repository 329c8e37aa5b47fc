<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Events;

/** What an event is about. */
enum EventKind: string
{
    case Lost = 'lost';
    case Found = 'found';
    case Fault = 'fault';
    case Alarm = 'alarm';
    case Edit = 'edit';
    case Login = 'login';
    case People = 'people';
    case Restart = 'restart';
    case Backup = 'backup';
}
