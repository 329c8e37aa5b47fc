<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/** What two ends of a session say to each other besides MIDI. The value is the two letters on the wire. */
enum SessionCommand: string
{
    case Invitation = 'IN';
    case Accepted = 'OK';
    case Rejected = 'NO';
    case End = 'BY';
    case Clock = 'CK';
    case Feedback = 'RS';
    case BitrateLimit = 'RL';
}
