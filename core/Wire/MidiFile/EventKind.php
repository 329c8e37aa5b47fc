<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

/** What an event of a track is. */
enum EventKind
{
    /** A channel message, with its status byte. */
    case Channel;

    /** System Exclusive from F0 on; the F0 itself is not among its bytes. */
    case Exclusive;

    /** Bytes to send as they are: the rest of a System Exclusive, or anything else (F7). */
    case Escape;

    /** Something about the music: a type and its bytes. */
    case Meta;
}
