<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The demo's timelines: the song of the evening, which follows the sound workstation, and what happens before the doors open. */
final class FernhallTimelines
{
    /** @return list<array<string, mixed>> */
    public static function timecodes(): array
    {
        return [['id' => 'tape', 'name' => 'Tape', 'from' => ['sound'], 'lost' => 'frames', 'frames' => 12]];
    }

    /** @return list<array<string, mixed>> the cue desk's lines, in words that were made up for it */
    public static function desks(): array
    {
        return [['id' => 'cue-desk', 'name' => 'Cue desk lines', 'port' => 'cue-desk', 'address' => '/desk/line', 'pause' => 0.1, 'forms' => [
            ['line' => 'make cue {cue: 0.1-999.9} [called {name: text}]'],
            ['line' => 'delete cue {cue: 0.1-999.9}'],
            ['line' => 'go cue {cue: 0.1-999.9}'],
        ]]];
    }

    /** @return list<array<string, mixed>> what happens at week-ends, where Fernhall is made up to be */
    public static function occasions(): array
    {
        $press = static fn(string $point): array => ['kind' => 'press', 'point' => $point];

        return [
            ['id' => 'path-at-dusk', 'name' => 'Path lights at dusk', 'when' => ['kind' => 'sun', 'event' => 'dusk', 'minutes' => -15, 'latitude' => 51.2, 'longitude' => -0.4],
                'days' => ['sat', 'sun'], 'do' => [$press('timeline:before-doors/play')], 'missed' => 'do', 'within' => 5],
            ['id' => 'last-walk', 'name' => 'After the last walk', 'when' => ['kind' => 'time', 'at' => '23:15'],
                'days' => ['sat', 'sun'], 'except' => ['2026-12-24/2026-12-27'], 'do' => [$press('timeline:before-doors/stop')]],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function all(): array
    {
        return [self::song(), self::beforeDoors()];
    }

    /** @return array<string, mixed> */
    private static function song(): array
    {
        $strobe = [];
        // On the beat of 98.96 a minute, for two bars.
        foreach (range(0, 7) as $beat) {
            $at = round(30.0 + $beat * 60 / 98.96, 3);
            $strobe[] = ['at' => $at, 'value' => 100, 'to' => 'step'];
            $strobe[] = ['at' => round($at + 0.18, 3), 'value' => 0, 'to' => 'step'];
        }

        return [
            'id' => 'fern-song',
            'name' => 'Song of the ferns',
            'folder' => 'Night Walk',
            'length' => 60,
            'timecode' => 'tape',
            'startsAt' => '00:00:20:00',
            // A bar begins where the break does; for the last verse it slows down.
            'changes' => [['at' => 0.897, 'bpm' => 98.96, 'bar' => 4], ['at' => 44.551, 'bpm' => 90, 'bar' => 4]],
            'tracks' => [
                ['id' => 'looks', 'name' => 'Looks', 'does' => ['kind' => 'triggers', 'triggers' => [
                    self::at('moss', 2.0, 'Moss on', 'look:moss', 100),
                    self::at('doors', 7.0, 'Doors', 'fixture:doors/level', 80, 4),
                    self::at('dusk', 14.5, 'Dusk on', 'look:dusk', 100),
                    self::at('moss-off', 16.0, 'Moss off', 'look:moss', 0),
                    self::at('dark', 29.0, 'Dark', 'look:dusk', 0),
                    self::at('moss-2', 44.0, 'Moss again', 'look:moss', 100),
                    self::at('end', 58.0, 'End', 'look:moss', 0),
                ]]],
                ['id' => 'ferns', 'name' => 'Fern Gallery', 'does' => ['kind' => 'levels', 'point' => 'group:ferns/level', 'knots' => [
                    ['at' => 2, 'value' => 0, 'to' => 'smooth'],
                    ['at' => 12, 'value' => 70],
                    ['at' => 28, 'value' => 55, 'to' => 'bent', 'bend' => -0.7],
                    ['at' => 30, 'value' => 0],
                    ['at' => 40, 'value' => 0, 'to' => 'smooth'], ['at' => 46, 'value' => 90], ['at' => 60, 'value' => 10],
                ]]],
                [
                    'id' => 'lantern',
                    'name' => 'Lantern',
                    'does' => ['kind' => 'levels', 'point' => 'fixture:lantern/level', 'knots' => $strobe],
                ],
                ['id' => 'across', 'name' => 'Laser across', 'does' => ['kind' => 'levels', 'point' => 'fixture:laser/across', 'knots' => [
                    ['at' => 5, 'value' => 50, 'to' => 'smooth'],
                    ['at' => 15, 'value' => 80, 'to' => 'smooth'],
                    ['at' => 25, 'value' => 20, 'to' => 'smooth'],
                    ['at' => 35, 'value' => 50],
                ]]],
            ],
            'markers' => [
                ['id' => 'intro', 'at' => 0, 'name' => 'Intro', 'isSection' => true],
                ['id' => 'verse', 'at' => 14, 'name' => 'Verse', 'isSection' => true],
                ['id' => 'break', 'at' => 30, 'name' => 'Break', 'isSection' => true],
                ['id' => 'last', 'at' => 44, 'name' => 'Last verse', 'isSection' => true],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function beforeDoors(): array
    {
        return [
            'id' => 'before-doors', 'name' => 'Before the doors', 'folder' => 'Night Walk', 'loop' => true, 'length' => 90,
            'tracks' => [['id' => 'path', 'name' => 'Path', 'does' => ['kind' => 'levels', 'point' => 'master:path', 'knots' => [
                ['at' => 0, 'value' => 40, 'to' => 'smooth'],
                ['at' => 45, 'value' => 80, 'to' => 'smooth'],
                ['at' => 90, 'value' => 40],
            ]]]],
        ];
    }

    /** @return array<string, mixed> */
    private static function at(string $id, float $at, string $name, string $point, int $value, int $fade = 0): array
    {
        return [
            'id' => $id,
            'at' => $at,
            'name' => $name,
            'do' => [['kind' => 'set', 'point' => $point, 'value' => $value, ...($fade > 0 ? ['fade' => $fade] : [])]],
        ];
    }
}
