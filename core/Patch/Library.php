<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * Profiles to begin with: the common kinds of things that listen to slots, in the order of slots that most of them have
 * (common practice, no source). Each is a part of a show document; whoever takes one may change it.
 */
final class Library
{
    private const PAN = ['name' => 'pan', 'role' => 'pan', 'unit' => '°', 'physical' => [-270, 270]];
    private const TILT = ['name' => 'tilt', 'role' => 'tilt', 'unit' => '°', 'physical' => [-135, 135]];
    private const DIMMER = ['name' => 'level', 'role' => 'dimmer'];

    /** @return list<array<string, mixed>> in the order in which they are offered */
    public static function all(): array
    {
        return [
            self::profile('dimmer', 'Dimmer', 'One level', [self::DIMMER]),
            self::profile(
                'rgb',
                'RGB',
                'Three colours, and a virtual intensity',
                self::roles('red', 'green', 'blue'),
                ['virtualIntensity' => true],
            ),
            self::profile(
                'rgbw',
                'RGBW',
                'Four colours, and a virtual intensity',
                self::roles('red', 'green', 'blue', 'white'),
                ['virtualIntensity' => true],
            ),
            self::profile(
                'rgba',
                'RGBA',
                'Red, green, blue and amber, and a virtual intensity',
                self::roles('red', 'green', 'blue', 'amber'),
                ['virtualIntensity' => true],
            ),
            self::profile(
                'dimmer-rgb',
                'Dimmer and RGB',
                'A level and three colours',
                [self::DIMMER, ...self::roles('red', 'green', 'blue')],
            ),
            self::profile('tunable-white', 'Tunable white', 'A level, and warm to cold', [
                self::DIMMER,
                ['name' => 'temperature', 'role' => 'colour-temperature', 'unit' => 'K', 'physical' => [2700, 6500]],
            ]),
            self::profile('moving-head', 'Moving head, 8 bit', 'Pan, tilt, shutter, level, RGB, zoom', self::movingHead(1)),
            self::profile('moving-head-16', 'Moving head, 16 bit', 'The same, with fine pan and tilt', self::movingHead(2)),
            self::profile('strobe', 'Strobe', 'Level and rate', [
                self::DIMMER,
                ['name' => 'rate', 'role' => 'strobe', 'safe' => 0, 'ranges' => [
                    ['name' => 'no flashes', 'first' => 0, 'last' => 16],
                    ['name' => 'slow to fast', 'first' => 17, 'last' => 255, 'unit' => 'Hz', 'physical' => [0.5, 25]],
                ]],
            ]),
            self::profile('haze', 'Haze', 'Haze and fan', [
                ['name' => 'haze', 'role' => 'haze', 'safe' => 0],
                ['name' => 'fan', 'role' => 'fan', 'safe' => 0],
            ]),
            self::profile('media-layer', 'Media layer', 'A layer of a media server', [
                [
                    'name' => 'clip',
                    'kind' => 'control',
                    'from' => 1,
                    'ranges' => [['name' => 'no change', 'first' => 0], ['name' => 'clips', 'first' => 1, 'last' => 255]],
                ],
                ['name' => 'opacity', 'role' => 'dimmer'],
                [
                    'name' => 'across',
                    'slots' => 2,
                    'kind' => 'position',
                    'default' => 32768,
                    'unit' => '%',
                    'physical' => [-100, 100],
                ],
                [
                    'name' => 'up',
                    'slots' => 2,
                    'kind' => 'position',
                    'default' => 32768,
                    'unit' => '%',
                    'physical' => [-100, 100],
                ],
                ['name' => 'size', 'kind' => 'beam', 'default' => 128],
                ['name' => 'effect', 'kind' => 'other'],
            ]),
            self::profile('laser', 'Laser zone', 'Enable, shape, size, turn, place, colour', [
                [
                    'name' => 'enable',
                    'kind' => 'control',
                    'safe' => 0,
                    'ranges' => [['name' => 'off', 'first' => 0, 'last' => 127], ['name' => 'on', 'first' => 128, 'last' => 255]],
                ],
                ['name' => 'shape', 'kind' => 'beam'],
                ['name' => 'size', 'kind' => 'beam'],
                ['name' => 'rotation', 'kind' => 'beam'],
                ['name' => 'across', 'kind' => 'position', 'default' => 128],
                ['name' => 'up', 'kind' => 'position', 'default' => 128],
                ...self::roles('red', 'green', 'blue'),
            ]),
            self::profile('pixel-strip', 'Pixel strip, 60 RGB', 'Sixty cells of red, green and blue', [], [
                'virtualIntensity' => true,
                'cells' => [[
                    'id' => 'pixel',
                    'name' => 'Pixel',
                    'count' => 60,
                    'parameters' => self::roles('red', 'green', 'blue'),
                ]],
            ]),
            self::profile('rgb-bar', 'Bar of 12 RGB cells', 'A level and twelve cells', [self::DIMMER], [
                'cells' => [[
                    'id' => 'cell',
                    'name' => 'Cell',
                    'count' => 12,
                    'parameters' => self::roles('red', 'green', 'blue'),
                ]],
            ]),
            self::profile('relay', 'Relay box, 4 ways', 'On from the middle upwards', array_map(static fn(int $way): array => [
                'name' => "way {$way}",
                'kind' => 'control',
                'safe' => 0,
                'ranges' => [['name' => 'off', 'first' => 0, 'last' => 127], ['name' => 'on', 'first' => 128, 'last' => 255]],
            ], range(1, 4))),
            self::profile('fader-bank', 'Sound desk, 8 faders', 'A bank of faders', array_map(
                static fn(int $fader): array => ['name' => "fader {$fader}", 'kind' => 'control', 'precedence' => 'ltp'],
                range(1, 8),
            )),
            self::profile('camera', 'Camera', 'Pan, tilt, zoom, focus and a reset', [
                [...self::PAN, 'slots' => 2, 'default' => 32768],
                [...self::TILT, 'slots' => 2, 'default' => 32768],
                ['name' => 'zoom', 'role' => 'zoom'],
                ['name' => 'focus', 'role' => 'focus'],
                ['name' => 'reset', 'role' => 'reset', 'neverDriven' => true],
            ]),
            self::profile('raw', 'Raw universe', '512 single slots, for testing', array_map(
                static fn(int $slot): array => ['name' => "slot {$slot}"],
                range(1, 512),
            )),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function movingHead(int $slots): array
    {
        $middle = $slots === 1 ? 128 : 32768;

        return [
            [...self::PAN, 'slots' => $slots, 'default' => $middle],
            [...self::TILT, 'slots' => $slots, 'default' => $middle],
            ['name' => 'shutter', 'role' => 'shutter', 'safe' => 255, 'ranges' => [
                ['name' => 'closed', 'first' => 0, 'last' => 16],
                ['name' => 'slow to fast', 'first' => 17, 'last' => 131, 'unit' => 'Hz', 'physical' => [0.5, 25]],
                ['name' => 'open', 'first' => 132, 'last' => 255],
            ]],
            self::DIMMER,
            ...self::roles('red', 'green', 'blue'),
            ['name' => 'zoom', 'role' => 'zoom', 'default' => 128, 'unit' => '°', 'physical' => [10, 40]],
            ['name' => 'reset', 'role' => 'reset', 'neverDriven' => true],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function roles(string ...$roles): array
    {
        return array_map(static fn(string $role): array => ['name' => $role, 'role' => $role], array_values($roles));
    }

    /**
     * @param list<array<string, mixed>> $parameters
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function profile(string $id, string $name, string $note, array $parameters, array $more = []): array
    {
        return [
            'id' => $id,
            'name' => $name,
            'note' => $note,
            ...($parameters === [] ? [] : ['parameters' => $parameters]),
            ...$more,
        ];
    }
}
