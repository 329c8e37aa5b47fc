<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** After a jump everything is what it would be, had the timeline been played from its beginning: random timelines, random jumps. */
final class ChaseTest extends TestCase
{
    private const SHAPES = ['linear', 'step', 'smooth', 'bent'];

    public function testAJumpIsAsIfItHadBeenPlayed(): void
    {
        for ($seed = 1; $seed <= 150; ++$seed) {
            mt_srand($seed);
            $show = self::show();
            $to = mt_rand(1, 2900) / 100;
            $played = new Evening($show);
            $played->press('timeline:song/play');
            $played->rig->pass($to);
            $played->press('timeline:song/pause');

            $jumped = new Evening($show);
            $jumped->press('timeline:song/play');
            foreach (range(1, mt_rand(1, 4)) as $_) {
                $jumped->rig->pass(mt_rand(0, 300) / 100);
                $jumped->set('timeline:song', mt_rand(0, 2900) / 100);
            }
            $jumped->set('timeline:song', $to);
            $jumped->press('timeline:song/pause');
            // What fades by itself is seen a frame later.
            $played->rig->pass(0.05);
            $jumped->rig->pass(0.05);
            $what = "seed {$seed}, to {$to} s: ".json_encode($show, JSON_THROW_ON_ERROR);
            self::assertSame(self::seen($played), self::seen($jumped), $what);
            // What fades by itself goes on a frame at a time: it may be one away.
            self::assertEqualsWithDelta(self::levels($played), self::levels($jumped), 7, $what);
        }
    }

    /** @return list<float> levels of the lamps and of the head, whose fine slots are parts of one */
    private static function levels(Evening $evening): array
    {
        [$a, $b, $c, $fine, $pan, $panFine, $red, $wheel] = $evening->levels();

        return [(float) $a, (float) $b, $c + $fine / 256, $pan + $panFine / 256, (float) $red, (float) $wheel];
    }

    /** @return array<string, mixed> */
    private static function seen(Evening $evening): array
    {
        return [
            'value' => $evening->read('value:mood'),
            'looks' => [$evening->read('look:warm/active'), $evening->read('look:cold/active')],
            'cue' => [$evening->read('list:walk/cue'), $evening->read('list:walk/running')],
            'wave' => $evening->read('wave:sway'),
            'blackout' => $evening->read('master:blackout'),
            'master' => round((float) $evening->read('master:grand')),
        ];
    }

    /** @return array<string, mixed> */
    private static function show(): array
    {
        $sets = [
            static fn(): array => ['point' => 'fixture:a/level', 'value' => mt_rand(0, 100), 'fade' => mt_rand(0, 3)],
            static fn(): array => ['point' => 'fixture:c/level', 'value' => mt_rand(0, 100)],
            static fn(): array => ['point' => 'slot:palm/8', 'value' => mt_rand(0, 255)],
            static fn(): array => ['point' => 'value:mood', 'value' => mt_rand(1, 9)],
            static fn(): array => ['point' => 'look:warm', 'value' => mt_rand(0, 1) * 100],
            static fn(): array => ['point' => 'look:cold', 'value' => mt_rand(0, 1) * 100],
            static fn(): array => ['point' => 'list:walk', 'value' => mt_rand(1, 3)],
        ];
        $presses = [
            'list:walk/go',
            'list:walk/go',
            'list:walk',
            'list:walk/back',
            'list:walk/pause',
            'list:walk/release',
            'look:cold',
            'look:warm/active',
            'wave:sway',
            'master:blackout',
        ];
        $triggers = [];
        for ($i = 0, $count = mt_rand(1, 25); $i < $count; ++$i) {
            $do = [
                mt_rand(0, 2) === 0
                    ? ['kind' => 'press', 'point' => $presses[array_rand($presses)]]
                    : ['kind' => 'set', ...$sets[array_rand($sets)]()],
            ];
            $triggers[] = ['id' => "t{$i}", 'at' => mt_rand(0, 2900) / 100, 'do' => $do];
        }
        $knots = [];
        for ($i = 0, $count = mt_rand(1, 8); $i < $count; ++$i) {
            $knots[] = [
                'at' => mt_rand(0, 2900) / 100,
                'value' => mt_rand(0, 100),
                'to' => self::SHAPES[array_rand(self::SHAPES)],
                'bend' => mt_rand(-10, 10) / 10,
            ];
        }

        return [
            'values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 10]],
            'masters' => [['id' => 'grand', 'name' => 'Grand', 'start' => 100]],
            'waves' => [['id' => 'sway', 'name' => 'Sway', 'on' => [['point' => 'slot:palm/100']]]],
            'looks' => [
                ['id' => 'warm', 'name' => 'Warm', 'fadeIn' => mt_rand(0, 3), 'fadeOut' => mt_rand(0, 2), 'values' => Evening::values(['fixture:b/level' => 80, 'fixture:h/pan' => 70])],
                ['id' => 'cold', 'name' => 'Cold', 'press' => 'toggle', 'values' => Evening::values(['fixture:h/red' => 60])],
            ],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => array_map(
                static fn(int $n): array => [
                    'number' => (string) $n,
                    'name' => "Cue {$n}",
                    ...($n === 2 ? ['follow' => ['kind' => 'after', 'seconds' => 1.5]] : []),
                    'values' => Evening::values(['fixture:h/wheel' => 20 * $n]),
                ],
                [1, 2, 3],
            )]],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 30, 'tracks' => [
                ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => $triggers]],
                ['id' => 'line', 'name' => 'Line', 'does' => ['kind' => 'levels', 'point' => 'fixture:h/red', 'knots' => $knots]],
                ['id' => 'grand', 'name' => 'Grand', 'does' => ['kind' => 'levels', 'point' => 'master:grand', 'knots' => [['at' => 0, 'value' => 100], ...$knots]]],
            ]]],
        ];
    }
}
