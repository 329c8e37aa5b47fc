<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/** How far a session is. */
enum SessionState: string
{
    case Idle = 'idle';
    case InvitingControl = 'inviting on the control port';
    case InvitingData = 'inviting on the data port';
    case HalfInvited = 'invited on the control port';
    case Open = 'open';
    case Rejected = 'rejected';
    case Lost = 'lost';
}
