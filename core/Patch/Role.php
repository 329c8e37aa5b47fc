<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * What a parameter does, where it is one of the things that many devices have: by this "light it" finds the shutter, a
 * colour finds its red, and a joystick its pan. The words for attributes are those of DIN SPEC 15800 (GDTF), annex A;
 * from memory.
 */
enum Role: string
{
    case Dimmer = 'dimmer';
    case Red = 'red';
    case Green = 'green';
    case Blue = 'blue';
    case White = 'white';
    case WarmWhite = 'warm-white';
    case ColdWhite = 'cold-white';
    case Amber = 'amber';
    case Lime = 'lime';
    case Ultraviolet = 'ultraviolet';
    case Cyan = 'cyan';
    case Magenta = 'magenta';
    case Yellow = 'yellow';
    case ColourTemperature = 'colour-temperature';
    case ColourWheel = 'colour-wheel';
    case Pan = 'pan';
    case Tilt = 'tilt';
    case Shutter = 'shutter';
    case Strobe = 'strobe';
    case Zoom = 'zoom';
    case Focus = 'focus';
    case Iris = 'iris';
    case Frost = 'frost';
    case GoboWheel = 'gobo-wheel';
    case Prism = 'prism';
    case Macro = 'macro';
    case Reset = 'reset';
    case ModeSelect = 'mode-select';
    case Fan = 'fan';
    case Haze = 'haze';

    /** What it is of, where the profile does not say. */
    public function kind(): ParameterKind
    {
        return match ($this) {
            self::Dimmer => ParameterKind::Intensity,
            self::Pan, self::Tilt => ParameterKind::Position,
            self::Shutter, self::Strobe, self::Zoom, self::Focus, self::Iris, self::Frost, self::GoboWheel, self::Prism => ParameterKind::Beam,
            self::Macro, self::Reset, self::ModeSelect => ParameterKind::Control,
            self::Fan, self::Haze => ParameterKind::Other,
            default => ParameterKind::Colour,
        };
    }

    /** Whether it is a light of its own, so that more of it is brighter. */
    public function isEmitter(): bool
    {
        return match ($this) {
            self::Red, self::Green, self::Blue, self::White, self::WarmWhite, self::ColdWhite, self::Amber, self::Lime, self::Ultraviolet => true,
            default => false,
        };
    }

    /** Whether it takes light away, so that less of it is brighter. */
    public function isFilter(): bool
    {
        return \in_array($this, [self::Cyan, self::Magenta, self::Yellow], true);
    }
}
