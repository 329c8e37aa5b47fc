<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

/**
 * How the address of a message may be written (OSC 1.0, "OSC Address Spaces and OSC Addresses"; ours for MIDI are of
 * the same form).
 */
final class MessageAddress
{
    public const PATTERN = '#^/[^\s\#*,?\[\]{}]{1,199}$#D';
    /** Where it may stand for several, or hold a place for a text. */
    public const WITH_WILDCARDS = '#^/[^\x00-\x20\#]{1,199}$#D';
    public const BEGINS = 'An address begins with "/" and has no spaces, and no "#".';
    public const RULE = 'An address begins with "/" and has no spaces and none of # * , ? [ ] { }.';
}
