<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Role;

/** What the standard calls what parameters do, and their units. Source: DIN SPEC 15800, annex A and PhysicalUnit (from memory). */
final class Attributes
{
    private const ROLES = [
        'Dimmer' => Role::Dimmer,
        'ColorAdd_R' => Role::Red,
        'ColorAdd_G' => Role::Green,
        'ColorAdd_B' => Role::Blue,
        'ColorAdd_W' => Role::White,
        'ColorAdd_WW' => Role::WarmWhite,
        'ColorAdd_CW' => Role::ColdWhite,
        'ColorAdd_RY' => Role::Amber,
        'ColorAdd_GY' => Role::Lime,
        'ColorAdd_UV' => Role::Ultraviolet,
        'ColorSub_C' => Role::Cyan,
        'ColorSub_M' => Role::Magenta,
        'ColorSub_Y' => Role::Yellow,
        'CTO' => Role::ColourTemperature,
        'CTC' => Role::ColourTemperature,
        'CTB' => Role::ColourTemperature,
        'Color1' => Role::ColourWheel,
        'Pan' => Role::Pan,
        'Tilt' => Role::Tilt,
        'Shutter1' => Role::Shutter,
        'StrobeFrequency' => Role::Strobe,
        'Shutter1Strobe' => Role::Strobe,
        'Zoom' => Role::Zoom,
        'Focus1' => Role::Focus,
        'Iris' => Role::Iris,
        'Frost1' => Role::Frost,
        'Gobo1' => Role::GoboWheel,
        'Prism1' => Role::Prism,
        'ColorMacro1' => Role::Macro,
        'EffectsMacro1' => Role::Macro,
        'FixtureGlobalReset' => Role::Reset,
        'DMXInput' => Role::ModeSelect,
        'Fans' => Role::Fan,
        'Haze1' => Role::Haze,
    ];

    private const KINDS = [
        'Dimmer' => ParameterKind::Intensity,
        'Color' => ParameterKind::Colour,
        'Position' => ParameterKind::Position,
        'Gobo' => ParameterKind::Beam,
        'Beam' => ParameterKind::Beam,
        'Focus' => ParameterKind::Beam,
        'Shapers' => ParameterKind::Beam,
        'Control' => ParameterKind::Control,
    ];

    private const UNITS = [
        'Percent' => '%',
        'Angle' => '°',
        'Frequency' => 'Hz',
        'Temperature' => 'K',
        'AngularSpeed' => '°/s',
        'Speed' => 'm/s',
        'Time' => 's',
        'Length' => 'm',
        'ColorComponent' => '%',
        'LuminousIntensity' => '%',
    ];

    public static function role(string $attribute): ?Role
    {
        return self::ROLES[$attribute] ?? null;
    }

    /** @param string $feature "Color.RGB" */
    public static function kind(string $feature): ParameterKind
    {
        return self::KINDS[explode('.', $feature)[0]] ?? ParameterKind::Other;
    }

    /** @return string '' for none */
    public static function unit(string $physicalUnit): string
    {
        return self::UNITS[$physicalUnit] ?? '';
    }

    /** The standard's word for a role; one of our own where it has none. */
    public static function of(?Role $role, string $name): string
    {
        $word = $role === null ? false : array_search($role, self::ROLES, true);

        if (\is_string($word)) {
            return $word;
        }
        $own = str_replace(' ', '', ucwords(trim((string) preg_replace('/[^A-Za-z0-9]+/', ' ', $name))));

        return $own === '' ? 'Parameter' : $own;
    }

    public static function feature(ParameterKind $kind): string
    {
        return match ($kind) {
            ParameterKind::Intensity => 'Dimmer.Dimmer',
            ParameterKind::Colour => 'Color.Color',
            ParameterKind::Position => 'Position.PanTilt',
            ParameterKind::Beam => 'Beam.Beam',
            default => 'Control.Control',
        };
    }

    public static function physicalUnit(string $unit): string
    {
        $word = array_search($unit, self::UNITS, true);

        return \is_string($word) ? $word : 'None';
    }
}
