<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The demo's surfaces: the guide's phone, the tablet at front of house, and the kiosk at the door. */
final class FernhallSurfaces
{
    /** The guide types it once; it is the way out of the kiosk too. */
    public const CODE = '2604';

    /** @return list<array<string, mixed>> */
    public static function all(): array
    {
        return [self::guide(), self::frontOfHouse(), self::door()];
    }

    /** @return list<array<string, mixed>> */
    public static function panels(): array
    {
        $says = static fn(string $kind, array $more): array => ['kind' => $kind, 'port' => 'lectern', 'channel' => 1, ...$more];

        return [[
            'id' => 'lectern', 'name' => 'Lectern', 'surface' => 'front-of-house',
            'note' => 'Motor faders 7 and 8, encoder 2. What else it has is bound by routes.',
            'parts' => [
                ['id' => 'fader-7', 'name' => 'Fader 7', 'when' => $says('controller', ['controller' => 7]), 'does' => ['kind' => 'fader']],
                ['id' => 'fader-8', 'name' => 'Fader 8', 'when' => $says('controller', ['controller' => 8]), 'does' => ['kind' => 'fader']],
                ['id' => 'button-8', 'name' => 'Button 8', 'when' => $says('note', ['note' => 43]), 'does' => ['kind' => 'button']],
                ['id' => 'encoder-2', 'name' => 'Encoder 2', 'when' => $says('relative', ['controller' => 17, 'encoding' => 'twos-complement']), 'does' => ['kind' => 'encoder']],
            ],
        ]];
    }

    /** @return array<string, mixed> */
    private static function guide(): array
    {
        return [
            'id' => 'guide', 'name' => 'Guide', 'folder' => 'Night Walk', 'entry' => 'code',
            'pages' => [
                ['id' => 'walk', 'name' => 'Walk', 'columns' => 4, 'rows' => 7, 'controls' => [
                    self::at('next', 'Next', 1, 1, 4, 1, ['kind' => 'label', 'point' => 'list:night-walk/next'], ['text' => 'Next: {value}', 'size' => 'large']),
                    self::at('go', 'Go on', 1, 2, 4, 2, ['kind' => 'button', 'mode' => 'hold', 'seconds' => 0.8, 'points' => [['point' => 'list:night-walk/go']]], ['icon' => 'next', 'size' => 'huge', 'colour' => '#2f8f73']),
                    self::at('moss', 'Moss', 1, 4, 2, 1, self::press('look:moss'), ['text' => '{name}', 'size' => 'large', 'showsValue' => false, 'colour' => '#7fae3f']),
                    self::at('dusk', 'Dusk', 3, 4, 2, 1, self::press('look:dusk'), ['text' => '{name}', 'size' => 'large', 'showsValue' => false, 'colour' => '#b98ad6']),
                    self::at('ferns', 'Fern Gallery', 1, 5, 4, 1, ['kind' => 'fader', 'run' => 'right', 'points' => [['point' => 'group:ferns/level', 'low' => 10, 'high' => 80]]]),
                    self::at('lantern', 'Lantern', 1, 6, 4, 1, ['kind' => 'fader', 'run' => 'right', 'points' => [['point' => 'fixture:lantern/level', 'low' => 4, 'high' => 100]], 'detents' => [50]]),
                    self::at('call', 'Message to the booth', 1, 7, 4, 1, ['kind' => 'text', 'point' => 'value:from-guide', 'longest' => 60]),
                ]],
                ['id' => 'pond', 'name' => 'Pond', 'columns' => 4, 'rows' => 7, 'controls' => [
                    self::at('laser', 'Mist laser', 1, 1, 4, 4, [
                        'kind' => 'pad', 'across' => [['point' => 'fixture:laser/across']], 'up' => [['point' => 'fixture:laser/up']],
                    ]),
                    self::at('size', 'Size', 1, 5, 4, 1, ['kind' => 'endless', 'points' => [['point' => 'fixture:laser/size']]]),
                    self::at('pond-wave', 'Drift', 1, 6, 2, 1, ['kind' => 'button', 'points' => [['point' => 'wave:pond']]], ['showsValue' => false]),
                    self::at('rate', 'Drift rate', 3, 6, 2, 1, ['kind' => 'stepper', 'step' => 0.05, 'points' => [['point' => 'wave:pond/rate', 'low' => 0.05, 'high' => 2]]]),
                    self::at('notes', 'Notes', 1, 7, 4, 1, ['kind' => 'notes', 'notes' => 'Keep the laser over the water. Guests stand left of the rope.'], ['size' => 'small']),
                ]],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function frontOfHouse(): array
    {
        $fader = static fn(string $id, string $name, int $column, string $point, string $part = ''): array => self::at(
            $id,
            $name,
            $column,
            3,
            1,
            5,
            ['kind' => 'fader', 'points' => [['point' => $point]]],
            $part === '' ? [] : ['hardware' => [['part' => $part]]],
        );

        return [
            'id' => 'front-of-house', 'name' => 'Front of house', 'folder' => 'Night Walk', 'entry' => 'people',
            'pages' => [['id' => 'house', 'name' => 'House', 'columns' => 10, 'rows' => 7, 'controls' => [
                self::at('now', 'Now', 1, 1, 3, 1, ['kind' => 'label', 'point' => 'list:night-walk/now'], ['text' => 'Now: {value}']),
                self::at('next', 'Next', 4, 1, 3, 1, ['kind' => 'label', 'point' => 'list:night-walk/next'], ['text' => 'Next: {value}']),
                self::at('desk', 'House desk', 7, 1, 2, 1, ['kind' => 'label', 'point' => 'port:house-desk/alive'], ['text' => 'House desk {value}']),
                self::at('clock', 'Clock', 9, 1, 2, 1, ['kind' => 'clock'], ['size' => 'large']),
                self::at('walk-in', 'Walk-in', 1, 2, 2, 1, self::press('look:walk-in'), ['colour' => '#d9a441', 'showsValue' => false]),
                self::at('talk', 'Talk', 3, 2, 2, 1, self::press('look:talk'), ['colour' => '#d9a441', 'showsValue' => false]),
                self::at('interval', 'Interval', 5, 2, 2, 1, self::press('look:interval'), ['colour' => '#d9a441', 'showsValue' => false]),
                self::at('roof', 'Glass roof', 7, 2, 2, 1, self::press('look:roof'), ['showsValue' => false, 'hardware' => [['part' => 'button-8']]]),
                self::at('tempo', 'Tempo', 9, 2, 2, 1, ['kind' => 'tempo', 'tempo' => 'music']),
                $fader('grand', 'Grand', 1, 'master:grand'),
                $fader('ferns', 'Ferns', 2, 'master:ferns', 'fader-7'),
                $fader('path', 'Path', 3, 'master:path', 'fader-8'),
                $fader('lantern', 'Lantern', 4, 'fixture:lantern/level'),
                $fader('doors', 'Doors', 5, 'fixture:doors/level'),
                self::at('lily', 'Lantern now', 6, 3, 1, 5, ['kind' => 'meter', 'shows' => ['point' => 'fixture:lantern/level/leaves']]),
                self::at('colour', 'Fern colour', 7, 3, 2, 2, ['kind' => 'knob', 'points' => [['point' => 'group:ferns/colour']]], ['hardware' => [['part' => 'encoder-2']]]),
                self::at('tilt', 'Fern tilt', 9, 3, 2, 2, ['kind' => 'fader', 'run' => 'right', 'middle' => true, 'points' => [['point' => 'group:ferns/tilt']], 'detents' => [50]]),
                self::at('mood', 'House', 7, 5, 4, 1, ['kind' => 'selector', 'point' => 'value:house-open']),
                self::at('back', 'Back', 7, 6, 1, 2, ['kind' => 'button', 'mode' => 'once', 'points' => [['point' => 'list:night-walk/back']]]),
                self::at('go', 'Go', 8, 6, 2, 2, ['kind' => 'button', 'mode' => 'once', 'points' => [['point' => 'list:night-walk/go']]], ['size' => 'huge', 'colour' => '#2f8f73']),
                self::at('dark', 'Blackout', 10, 6, 1, 2, ['kind' => 'button', 'mode' => 'toggle', 'confirm' => 'All lights out?', 'points' => [['point' => 'master:blackout']]], ['colour' => '#d4573c', 'showsValue' => false]),
            ]]],
        ];
    }

    /** @return array<string, mixed> */
    private static function door(): array
    {
        return [
            'id' => 'door', 'name' => 'At the door', 'folder' => 'Night Walk', 'entry' => 'network', 'networks' => ['127.0.0.0/8'], 'kiosk' => true,
            'pages' => [['id' => 'light', 'name' => 'Light', 'columns' => 3, 'rows' => 3, 'controls' => [
                self::at('welcome', 'Welcome', 1, 1, 3, 1, ['kind' => 'notes', 'notes' => 'Rest your hand on the plate, and the lanterns wake.'], ['size' => 'large']),
                self::at('wake', 'Wake the lanterns', 1, 2, 3, 2, ['kind' => 'button', 'mode' => 'hold', 'seconds' => 1.5, 'points' => [['point' => 'look:walk-in']], 'onText' => 'The lanterns are awake'], ['icon' => 'light', 'size' => 'huge', 'colour' => '#d9a441', 'showsValue' => false]),
            ]]],
        ];
    }

    /** @return array<string, mixed> */
    private static function press(string $point): array
    {
        return ['kind' => 'button', 'points' => [['point' => $point]]];
    }

    /**
     * @param array<string, mixed> $does
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function at(string $id, string $name, int $column, int $row, int $width, int $height, array $does, array $more = []): array
    {
        return ['id' => $id, 'name' => $name, 'column' => $column, 'row' => $row, 'width' => $width, 'height' => $height, 'does' => $does, ...$more];
    }
}
