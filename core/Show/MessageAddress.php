<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** How the address of a message may be written (OSC 1.0, "OSC Address Spaces and OSC Addresses"; ours for MIDI are of the same form). */
final class MessageAddress
{
    public const PATTERN = '#^/[^\s\#*,?\[\]{}]{1,199}$#D';
    public const RULE = 'An address begins with "/" and has no spaces and none of # * , ? [ ] { }.';
}
