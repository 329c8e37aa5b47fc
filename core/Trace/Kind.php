<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** What an event is about; the trace is filtered by it. */
enum Kind: string
{
    case Message = 'message';
    case Feedback = 'feedback';
    case Source = 'source';
    case Refused = 'refused';
    case Hold = 'hold';
    case Port = 'port';
    case Show = 'show';
}
