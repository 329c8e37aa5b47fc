<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Whom a show control message is for by kind of device (MIDI Show Control 1.1, "Command Formats", from memory). */
final class ShowFormat
{
    public const LIGHTING = 0x01;
    public const SOUND = 0x10;
    public const ALL = 0x7F;
    private const NAMES = [
        0x01 => ['Lighting (General)', 'Moving Lights', 'Colour Changers', 'Strobes', 'Lasers', 'Chasers'],
        0x10 => [
            'Sound (General)',
            'Music',
            'CD Players',
            'EPROM Playback',
            'Audio Tape Machines',
            'Intercoms',
            'Amplifiers',
            'Audio Effects Devices',
            'Equalisers',
        ],
        0x20 => [
            'Machinery (General)',
            'Rigging',
            'Flys',
            'Lifts',
            'Turntables',
            'Trusses',
            'Robots',
            'Animation',
            'Floats',
            'Breakaways',
            'Barges',
        ],
        0x30 => [
            'Video (General)',
            'Video Tape Machines',
            'Video Cassette Machines',
            'Video Disc Players',
            'Video Switchers',
            'Video Effects',
            'Video Character Generators',
            'Video Still Stores',
            'Video Monitors',
        ],
        0x40 => [
            'Projection (General)',
            'Film Projectors',
            'Slide Projectors',
            'Video Projectors',
            'Dissolvers',
            'Shutter Controls',
        ],
        0x50 => [
            'Process Control (General)',
            'Hydraulic Oil',
            'H2O',
            'CO2',
            'Compressed Air',
            'Natural Gas',
            'Fog',
            'Smoke',
            'Cracked Haze',
        ],
        0x60 => ['Pyro (General)', 'Fireworks', 'Explosions', 'Flame', 'Smoke Pots'],
        0x7F => ['All-types'],
    ];

    /** @return string|null null for a number that is reserved */
    public static function name(int $format): ?string
    {
        foreach (self::NAMES as $first => $names) {
            if (isset($names[$format - $first])) {
                return $names[$format - $first];
            }
        }

        return null;
    }

    /** Whether a device of kind $own takes a message for $format: its own kind, the general one of its family, or all. */
    public static function includes(int $format, int $own): bool
    {
        $general = max(1, $own & 0x70);

        return $format === self::ALL || $format === $own || $format === $general;
    }
}
