<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The demo's looks, cue lists, masters, waves and tempo. One list runs by itself, gently, so that the first page is alive. */
final class FernhallProgramme
{
    /** Lamps along the path round the pond. */
    public const LAMPS = ['walk-1', 'walk-2', 'walk-3', 'walk-4', 'walk-5', 'walk-6'];

    /** @return list<array<string, mixed>> */
    public static function looks(): array
    {
        return [
            self::look('walk-in', 'Walk-in', ['fixture:lantern/level' => 60, 'fixture:doors/level' => 80], 'Palm House', 4, 3),
            self::look('talk', 'Talk', ['fixture:lantern/level' => 25, 'fixture:doors/level' => 0], 'Palm House', 3, 3),
            self::look(
                'interval',
                'Interval',
                ['fixture:lantern/level' => 100, 'fixture:doors/level' => 100],
                'Palm House',
                5,
                3,
            ),
            self::look('moss', 'Moss', [
                'group:ferns/level' => 70,
                'group:ferns/colour' => 50,
                'fixture:fern-left/pan' => -40,
                'fixture:fern-right/pan' => 40,
                'group:ferns/tilt' => 20,
            ], 'Ferns', 3, 2),
            self::look('dusk', 'Dusk', [
                'group:ferns/level' => 40,
                'group:ferns/colour' => 85,
                'fixture:fern-left/pan' => -90,
                'fixture:fern-right/pan' => 90,
                'group:ferns/tilt' => -15,
            ], 'Ferns', 6, 2),
            self::look('roof', 'Glass roof', ['fixture:layer-1/opacity' => 75, 'fixture:layer-1/size' => 50], '', 4, 4),
            self::look(
                'path-even',
                'Path, even',
                array_fill_keys(self::path(0, 2, 4), 55) + array_fill_keys(self::path(1, 3, 5), 20),
                '',
                8,
                8,
            ),
            self::look(
                'path-odd',
                'Path, odd',
                array_fill_keys(self::path(1, 3, 5), 55) + array_fill_keys(self::path(0, 2, 4), 20),
                '',
                8,
                8,
            ),
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function lists(): array
    {
        $cue = static fn(string $number, string $name, string $look, float $up, float $down, array $more = []): array => [
            'number' => $number, 'name' => $name, 'look' => $look, 'up' => $up, 'down' => $down, ...$more,
        ];

        return [
            ['id' => 'night-walk', 'name' => 'Night Walk', 'number' => '1', 'mscPort' => 'talk-slides', 'mscDevice' => 20, 'mscFormat' => 'lighting', 'cues' => [
                $cue('1', 'Doors open', 'walk-in', 4, 4, ['note' => 'When the first guests stand at the rope.']),
                $cue('2', 'Into the ferns', 'moss', 6, 8),
                $cue('2.5', 'Ferns at dusk', 'dusk', 8, 8, ['follow' => ['kind' => 'complete', 'seconds' => 20]]),
                $cue('3', 'The glass roof', 'roof', 5, 5),
                $cue('4', 'Interval', 'interval', 5, 10, ['note' => 'Bar opens. House lights by hand.']),
            ]],
            ['id' => 'path', 'name' => 'Path', 'number' => '2', 'end' => 'loop', 'begins' => true, 'cues' => [
                $cue('1', 'Even lamps', 'path-even', 8, 8, ['follow' => ['kind' => 'complete', 'seconds' => 2]]),
                $cue('2', 'Odd lamps', 'path-odd', 8, 8, ['follow' => ['kind' => 'complete', 'seconds' => 2]]),
            ]],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function masters(): array
    {
        return [
            ['id' => 'grand', 'name' => 'Grand master', 'over' => 'all', 'time' => 8],
            [
                'id' => 'ferns',
                'name' => 'Fern Gallery',
                'over' => 'groups',
                'groups' => ['ferns'],
                'curve' => 'square',
                'time' => 3,
            ],
            ['id' => 'path', 'name' => 'Path', 'over' => 'lists', 'lists' => ['path'], 'start' => 80, 'time' => 5],
            ['id' => 'own', 'name' => 'Looks and lists', 'over' => 'programme', 'time' => 5],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function waves(): array
    {
        return [
            [
                'id' => 'breath',
                'name' => 'Breath',
                'shape' => 'sine',
                'mode' => 'add',
                'size' => 12,
                'unit' => 'hertz',
                'rate' => 0.08,
                'on' => [['point' => 'group:walk-lamps/level']],
                'offset' => 180,
                'begins' => true,
                'note' => 'The path breathes, slowly.',
            ],
            [
                'id' => 'pond',
                'name' => 'Pond',
                'shape' => 'smooth',
                'mode' => 'add',
                'size' => 30,
                'unit' => 'hertz',
                'rate' => 0.2,
                'on' => [['point' => 'fixture:laser/across'], ['point' => 'fixture:laser/up']], 'offset' => 120, 'seed' => 7,
            ],
            [
                'id' => 'pulse',
                'name' => 'Pulse',
                'shape' => 'ramp-down',
                'mode' => 'multiply',
                'centre' => 75,
                'size' => 25,
                'unit' => 'beats',
                'rate' => 1,
                'on' => [['point' => 'group:ferns/level']],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function tempos(): array
    {
        return [['id' => 'music', 'name' => 'Music', 'start' => 98.96, 'clocks' => ['sound']]];
    }

    /**
     * @param array<string, float|int> $values by point
     *
     * @return array<string, mixed>
     */
    private static function look(string $id, string $name, array $values, string $set, float $in, float $out): array
    {
        return [
            'id' => $id, 'name' => $name, ...($set === '' ? [] : ['set' => $set]), 'fadeIn' => $in, 'fadeOut' => $out,
            'values' => array_map(
                static fn(string $point, float|int $value): array => ['point' => $point, 'value' => $value],
                array_keys($values),
                $values,
            ),
        ];
    }

    /** @return list<string> points of these lamps, from 0 */
    private static function path(int ...$lamps): array
    {
        return array_map(static fn(int $lamp): string => 'fixture:'.self::LAMPS[$lamp].'/level', array_values($lamps));
    }
}
