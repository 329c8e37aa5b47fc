<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** What sort of thing a parameter is: how it merges follows from that. */
enum ParameterKind: string
{
    case Intensity = 'intensity';
    case Colour = 'colour';
    case Position = 'position';
    case Beam = 'beam';
    case Control = 'control';
    case Other = 'other';

    /** Highest takes precedence for intensity, latest for everything else (common practice, no source). */
    public function takesHighest(): bool
    {
        return $this === self::Intensity;
    }
}
