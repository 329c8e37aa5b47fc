<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class LinkEntry
{
    /**
     * @param string $device path of a device, name of a cable, or name that a browser gives its device; '' where the kind has none
     * @param string $framing of OSC over TCP: "length" (OSC 1.0) or "slip" (OSC 1.1)
     */
    public function __construct(public LinkKind $kind, public string $device = '', public string $framing = 'length')
    {
    }
}
