<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The demo's invented show: Fernhall Glasshouse, Night Walk, a botanical garden after dark. */
final class FernhallGlasshouse
{
    public const FADER = '/palm/lantern';
    public const LINE_PORT = 5120;
    public const OUR_OSC_PORT = 8000;
    public const TABLET_OSC_PORT = 9000;
    public const CANOPY_PORT_ADDRESS = 16;
    public const CANOPY_OSC_PORT = 9010;
    public const CANOPY_FEEDBACK_PORT = 8010;
    public const LASER_UNIVERSE = 12;
    public const WALL_PORT_ADDRESS = 32;
    public const CUE_DESK_OSC_PORT = 9020;
    public const CUE_DESK_ANSWER_PORT = 8020;

    /**
     * @param string $loopback first three numbers of the loopback addresses in use
     *
     * @return array<string, mixed> a show document
     */
    public static function document(string $loopback): array
    {
        return [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Fernhall Glasshouse, Night Walk',
            'middleC' => 4,
            'universes' => [
                ['id' => 'palm-house', 'name' => 'Palm House', 'merge' => 'htp'],
                ['id' => 'fern-gallery', 'name' => 'Fern Gallery', 'merge' => 'ltp'],
                ['id' => 'canopy', 'name' => 'Canopy', 'merge' => 'slot'],
                [
                    'id' => 'lily-pond',
                    'name' => 'Lily Pond',
                    'merge' => 'htp',
                    'whenLost' => 'fade',
                    'fadeSeconds' => 4,
                    'shapes' => [['first' => 12, 'last' => 12, 'low' => 10, 'high' => 131]],
                ],
                ['id' => 'pond-wall-1', 'name' => 'Pond wall 1', 'merge' => 'htp'],
                ['id' => 'pond-wall-2', 'name' => 'Pond wall 2', 'merge' => 'htp'],
            ],
            'ports' => self::ports($loopback),
            'routes' => self::routes(),
            'copies' => [
                [
                    'id' => 'lanterns',
                    'name' => 'Lantern to the path lanterns',
                    'from' => ['universe' => 'palm-house', 'first' => 5, 'count' => 1],
                    'to' => ['universe' => 'fern-gallery', 'first' => 101],
                    'repeat' => 8,
                    'limit' => 106,
                ],
            ],
            'profiles' => self::profiles(),
            'fixtures' => self::fixtures(),
            'pixels' => [[
                'id' => 'pond-wall',
                'name' => 'Pond wall',
                'place' => 'Behind the lilies',
                'layout' => ['kind' => 'rectangle', 'columns' => 20, 'rows' => 12, 'corner' => 'bottom-left', 'zigzag' => true],
                'order' => 'grb',
                'universes' => ['pond-wall-1', 'pond-wall-2'],
            ]],
            'values' => [
                ['id' => 'house-open', 'name' => 'House open', 'type' => 'switch'],
                ['id' => 'from-guide', 'name' => 'From the guide', 'type' => 'text'],
            ],
            'offers' => [self::garden()],
            'groups' => [
                ['id' => 'ferns', 'name' => 'Ferns', 'members' => ['fern-left', 'fern-right']],
                ['id' => 'walk-lamps', 'name' => 'Walk lamps', 'members' => FernhallProgramme::LAMPS],
            ],
            'looks' => FernhallProgramme::looks(),
            'lists' => FernhallProgramme::lists(),
            'masters' => FernhallProgramme::masters(),
            'waves' => FernhallProgramme::waves(),
            'tempos' => FernhallProgramme::tempos(),
            'surfaces' => FernhallSurfaces::all(),
            'panels' => FernhallSurfaces::panels(),
            'timelines' => FernhallTimelines::all(),
            'timecodes' => FernhallTimelines::timecodes(),
            'occasions' => FernhallTimelines::occasions(),
            'desks' => FernhallTimelines::desks(),
        ];
    }

    /** @return array<string, mixed> what the house desk may control of ours, at its spare slots */
    private static function garden(): array
    {
        $house = ['kind' => 'set', 'point' => 'value:house-open'];

        return [
            'id' => 'garden',
            'name' => 'Garden',
            'universe' => 'palm-house',
            'first' => 481,
            'oscPort' => 'guides-tablet',
            'midiPort' => 'lectern',
            'channel' => 16,
            'number' => 16,
            'parameters' => [
                ['name' => 'Fern pan', 'bits' => '16', 'functions' => [
                    ['kind' => 'level', 'point' => 'fixture:fern-left/pan', 'low' => -270, 'high' => 270, 'first' => 1],
                ]],
                ['name' => 'Laser size', 'functions' => [['kind' => 'level', 'point' => 'fixture:laser/size', 'first' => 1]]],
                ['name' => 'House', 'functions' => [
                    [...$house, 'value' => 0, 'first' => 1, 'last' => 127, 'name' => 'Close'],
                    [...$house, 'value' => 1, 'first' => 128, 'name' => 'Open'],
                ]],
                ['name' => 'Light up', 'functions' => [
                    ['kind' => 'number', 'points' => [['point' => 'light:lantern'], ['point' => 'light:doors']]],
                ]],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function ports(string $loopback): array
    {
        $we = "{$loopback}.1";

        return [
            ['id' => 'house-desk', 'name' => 'House desk', 'protocol' => 'art-net', 'receive' => [
                'address' => $we, 'port' => 6454, 'priority' => 100, 'poll' => ["{$loopback}.11", "{$loopback}.16"],
                'feeds' => [['number' => 1, 'universe' => 'palm-house'], ['number' => 2, 'universe' => 'fern-gallery']],
            ]],
            ['id' => 'guest-desk', 'name' => 'Guest desk', 'protocol' => 'sacn', 'receive' => [
                'address' => $we, 'port' => 5568, 'feeds' => [['number' => 1, 'universe' => 'palm-house']],
            ]],
            ['id' => 'guides-tablet', 'name' => "Guide's tablet", 'protocol' => 'osc',
                'receive' => ['address' => $we, 'port' => self::OUR_OSC_PORT],
                'send' => ['address' => $we, 'to' => ["{$loopback}.15"], 'port' => self::TABLET_OSC_PORT]],
            ['id' => 'palm-dimmers', 'name' => 'Palm House dimmers', 'protocol' => 'dmx-line', 'send' => [
                'address' => $we, 'to' => ["{$loopback}.13"], 'port' => self::LINE_PORT, 'carries' => [[
                    'number' => 1,
                    'universe' => 'palm-house',
                ]],
            ]],
            ['id' => 'balcony-node', 'name' => 'Balcony node', 'protocol' => 'sacn', 'send' => [
                'address' => $we,
                'to' => ["{$loopback}.14"],
                'port' => 5568,
                'priority' => 100,
                'sourceName' => 'Fernhall junction',
                'carries' => [['number' => 7, 'universe' => 'palm-house'], ['number' => 8, 'universe' => 'fern-gallery']],
            ]],
            ['id' => 'canopy-levels', 'name' => 'Canopy levels', 'protocol' => 'art-net', 'send' => [
                'address' => $we, 'to' => ["{$loopback}.16"], 'carries' => [[
                    'number' => self::CANOPY_PORT_ADDRESS,
                    'universe' => 'canopy',
                ]],
            ]],
            ['id' => 'canopy-messages', 'name' => 'Canopy messages', 'protocol' => 'osc',
                'receive' => ['address' => $we, 'port' => self::CANOPY_FEEDBACK_PORT],
                'send' => [
                    'address' => $we,
                    'to' => ["{$loopback}.16"],
                    'port' => self::CANOPY_OSC_PORT,
                    'heartbeat' => '/junction/alive',
                    'heartbeatSeconds' => 2,
                ]],
            ['id' => 'lily-laser', 'name' => 'Lily Pond laser', 'protocol' => 'sacn', 'send' => [
                'address' => $we, 'to' => ["{$loopback}.17"], 'sourceName' => 'Fernhall junction', 'carries' => [[
                    'number' => self::LASER_UNIVERSE,
                    'universe' => 'lily-pond',
                ]],
            ]],
            ['id' => 'pond-wall', 'name' => 'Pond wall', 'protocol' => 'art-net', 'send' => [
                'address' => $we, 'to' => ["{$loopback}.20"], 'carries' => [
                    ['number' => self::WALL_PORT_ADDRESS, 'universe' => 'pond-wall-1'],
                    ['number' => self::WALL_PORT_ADDRESS + 1, 'universe' => 'pond-wall-2'],
                ],
            ]],
            [
                'id' => 'talk-slides',
                'name' => 'Talk slides',
                'protocol' => 'midi',
                'link' => ['kind' => 'cable', 'device' => 'talk-slides'],
                'receive' => ['enabled' => true],
            ],
            [
                'id' => 'sound',
                'name' => 'Sound workstation',
                'protocol' => 'midi',
                'link' => ['kind' => 'session'],
                'receive' => ['address' => $we, 'port' => 5004],
            ],
            [
                'id' => 'lectern',
                'name' => 'Lectern panel',
                'protocol' => 'midi',
                'link' => ['kind' => 'cable', 'device' => 'lectern'],
                'receive' => ['enabled' => true],
                'send' => ['enabled' => true],
            ],
            [
                'id' => 'cue-desk',
                'name' => 'Cue desk',
                'protocol' => 'osc',
                'receive' => ['address' => $we, 'port' => self::CUE_DESK_ANSWER_PORT],
                'send' => ['address' => $we, 'to' => ["{$loopback}.19"], 'port' => self::CUE_DESK_OSC_PORT],
            ],
            [
                'id' => 'cue-desk-midi',
                'name' => 'Cue desk MIDI',
                'protocol' => 'midi',
                'link' => ['kind' => 'cable', 'device' => 'cue-desk'],
                'receive' => ['enabled' => true],
                'send' => ['enabled' => true],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function routes(): array
    {
        return [
            ['id' => 'lantern-from-tablet', 'name' => "Guide's fader to the lantern",
                'from' => [
                    'kind' => 'message',
                    'port' => 'guides-tablet',
                    'address' => self::FADER,
                    'argument' => 1,
                    'low' => 0,
                    'high' => 1,
                ],
                'to' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 5, 'low' => 0, 'high' => 255]],
            ['id' => 'lantern-to-tablet', 'name' => "Lantern back to the guide's fader",
                'from' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 5, 'low' => 0, 'high' => 255],
                'to' => [
                    'kind' => 'message',
                    'port' => 'guides-tablet',
                    'address' => self::FADER,
                    'type' => 'float',
                    'low' => 0,
                    'high' => 1,
                ]],
            self::fromMidi('doors', 'Doors', 'talk-slides', '/note/1/49', 'palm-house', 9),
            self::fromMidi('song-fader', 'Song fader to the canopy', 'sound', '/controller/1/7', 'canopy', 2),
            self::fromMidi('kick', 'First beat to the laser', 'sound', '/note/10/36', 'lily-pond', 7),
            self::fromMidi('lectern-canopy', 'Lectern fader 1 to the canopy', 'lectern', '/controller/1/1', 'canopy', 8),
            ['id' => 'canopy-lectern', 'name' => 'Canopy back to lectern fader 1',
                'from' => ['kind' => 'slot', 'universe' => 'canopy', 'slot' => 8, 'low' => 0, 'high' => 255],
                'to' => [
                    'kind' => 'message',
                    'port' => 'lectern',
                    'address' => '/controller/1/1',
                    'type' => 'int',
                    'low' => 0,
                    'high' => 127,
                ]],
            self::fromMidi('laser-enable', 'Lectern button 1 to the laser', 'lectern', '/note/1/36', 'lily-pond', 1),
            self::fromMidi('laser-size', 'Lectern fader 2 to the laser', 'lectern', '/controller/1/2', 'lily-pond', 3),
            self::fromMidi('laser-green', 'Lectern fader 3 to the laser', 'lectern', '/controller/1/3', 'lily-pond', 8),
            ['id' => 'canopy-effect', 'name' => 'House desk fader 12 to the canopy',
                'from' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 12, 'low' => 0, 'high' => 255],
                'to' => [
                    'kind' => 'message',
                    'port' => 'canopy-messages',
                    'address' => '/canopy/layer/1/effect',
                    'type' => 'float',
                    'low' => 0,
                    'high' => 1,
                ]],
            ['id' => 'desk-go', 'name' => 'House desk fader 11 is Go',
                'from' => ['kind' => 'slot', 'universe' => 'palm-house', 'slot' => 11, 'low' => 0, 'high' => 255],
                'to' => [
                    'kind' => 'message',
                    'port' => 'cue-desk',
                    'address' => '/desk/go',
                    'type' => 'int',
                    'low' => 0,
                    'high' => 1,
                ]],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function profiles(): array
    {
        return [
            ['id' => 'dimmer', 'name' => 'Dimmer', 'parameters' => [['name' => 'level', 'role' => 'dimmer']]],
            ['id' => 'media-layer', 'name' => 'Media layer', 'parameters' => [
                ['name' => 'clip', 'kind' => 'control', 'from' => 1, 'ranges' => [
                    ['name' => 'no change', 'first' => 0],
                    ['name' => 'clips', 'first' => 1, 'last' => 255],
                ]],
                ['name' => 'opacity', 'role' => 'dimmer'],
                ['name' => 'across', 'kind' => 'position', 'unit' => '%', 'physical' => [-100, 100]],
                ['name' => 'up', 'kind' => 'position', 'unit' => '%', 'physical' => [-100, 100]],
                ['name' => 'size', 'kind' => 'beam'],
                ['name' => 'effect'],
            ]],
            ['id' => 'mist-laser', 'name' => 'Mist laser', 'maker' => 'Fernhall workshop', 'parameters' => [
                ['name' => 'enable', 'kind' => 'control', 'ranges' => [
                    ['name' => 'off', 'first' => 0, 'last' => 127],
                    ['name' => 'on', 'first' => 128, 'last' => 255],
                ]],
                ['name' => 'shape', 'kind' => 'beam', 'ranges' => [
                    ['name' => 'circle', 'first' => 0, 'last' => 63],
                    ['name' => 'line', 'first' => 64, 'last' => 127],
                    ['name' => 'star', 'first' => 128, 'last' => 191],
                    ['name' => 'wave', 'first' => 192, 'last' => 255],
                ]],
                ['name' => 'size', 'kind' => 'beam'],
                ['name' => 'rotation', 'kind' => 'beam', 'unit' => 'rpm', 'physical' => [0, 30]],
                ['name' => 'across', 'kind' => 'position'],
                ['name' => 'up', 'kind' => 'position'],
                ['name' => 'red', 'role' => 'red'],
                ['name' => 'green', 'role' => 'green'],
                ['name' => 'blue', 'role' => 'blue'],
                ['name' => 'points', 'kind' => 'beam'],
                ['name' => 'wave', 'kind' => 'beam'],
                ['name' => 'speed', 'kind' => 'other'],
            ]],
            ['id' => 'moving-lantern', 'name' => 'Moving lantern', 'maker' => 'Fernhall workshop', 'parameters' => [
                ['name' => 'pan', 'slots' => 2, 'role' => 'pan', 'unit' => '°', 'physical' => [-270, 270]],
                ['name' => 'tilt', 'slots' => 2, 'role' => 'tilt', 'unit' => '°', 'physical' => [-135, 135]],
                ['name' => 'level', 'role' => 'dimmer'],
                ['name' => 'colour', 'role' => 'colour-wheel', 'ranges' => [
                    ['name' => 'open', 'first' => 0, 'last' => 31, 'colour' => '#ffffff'],
                    ['name' => 'amber', 'first' => 32, 'last' => 95, 'colour' => '#ffb347'],
                    ['name' => 'moss', 'first' => 96, 'last' => 159, 'colour' => '#7fae5a'],
                    ['name' => 'dusk', 'first' => 160, 'last' => 255, 'colour' => '#5a6fae'],
                ]],
            ]],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function fixtures(): array
    {
        $number = 0;
        $fixture = static function (
            string $id,
            string $name,
            string $profile,
            string $universe,
            int $first,
            string $mark = '',
        ) use (&$number): array {
            return [
                'id' => $id,
                'name' => $name,
                'number' => ++$number,
                ...($mark === '' ? [] : ['mark' => $mark]),
                'profile' => $profile,
                'universe' => $universe,
                'first' => $first,
            ];
        };

        return [
            $fixture('lantern', 'Lantern', 'dimmer', 'palm-house', 5),
            $fixture('doors', 'Doors', 'dimmer', 'palm-house', 9),
            $fixture('fern-left', 'Fern SL', 'moving-lantern', 'fern-gallery', 1, 'SL'),
            $fixture('fern-right', 'Fern SR', 'moving-lantern', 'fern-gallery', 7, 'SR'),
            $fixture('layer-1', 'Layer 1', 'media-layer', 'canopy', 1),
            $fixture('layer-2', 'Layer 2', 'media-layer', 'canopy', 7),
            $fixture('layer-3', 'Layer 3', 'media-layer', 'canopy', 13),
            $fixture('laser', 'Pond laser', 'mist-laser', 'lily-pond', 1),
            ...array_map(
                static fn(int $i): array => $fixture(
                    FernhallProgramme::LAMPS[$i],
                    'Walk lamp '.($i + 1),
                    'dimmer',
                    'pond-wall-2',
                    401 + $i,
                ),
                array_keys(FernhallProgramme::LAMPS),
            ),
        ];
    }

    /** @return array<string, mixed> a route from a MIDI value to a level */
    private static function fromMidi(string $id, string $name, string $port, string $address, string $universe, int $slot): array
    {
        return ['id' => $id, 'name' => $name,
            'from' => ['kind' => 'message', 'port' => $port, 'address' => $address, 'argument' => 1, 'low' => 0, 'high' => 127],
            'to' => ['kind' => 'slot', 'universe' => $universe, 'slot' => $slot, 'low' => 0, 'high' => 255]];
    }
}
