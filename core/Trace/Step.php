<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** What a hop is. The value goes to the interface, which has a mark for each. */
enum Step: string
{
    case Heard = 'heard';
    case Decoded = 'decoded';
    case Refused = 'refused';
    case Matched = 'matched';
    case Nearly = 'nearly';
    case Unmatched = 'unmatched';
    case Changed = 'changed';
    case Unchanged = 'unchanged';
    case Sent = 'sent';
    case Answered = 'answered';
    case Note = 'note';
}
