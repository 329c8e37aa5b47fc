<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Evenings that nobody has planned: acts, edits, desks and restarts in any order, by a seed. */
final class EveningsTest extends TestCase
{
    private const PARAMETERS = [
        'fixture:a/level',
        'fixture:b/level',
        'fixture:c/level',
        'fixture:h/pan',
        'fixture:h/red',
        'fixture:h/wheel',
        'group:all/level',
    ];
    private const ACTS = 60;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 8) as $seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** What a programme gives is gone when it is released: no slot is left that nobody owns, and no number is none. */
    #[DataProvider('seeds')]
    public function testWhateverHappenedNothingIsLeftAndEveryPointHasANumberInItsRange(int $seed): void
    {
        mt_srand($seed);
        $evening = new Evening(self::programme());
        for ($act = 0; $act < self::ACTS; ++$act) {
            $evening = $this->act($evening);
            $evening->rig->pass(mt_rand(0, 15) / 10);
            foreach ($evening->rig->junction->points()->find('', 200) as $point) {
                $value = $evening->rig->junction->points()->read($point->reference);
                if (\is_int($value) || \is_float($value)) {
                    self::assertTrue(
                        is_finite((float) $value) && $value >= $point->low && $value <= $point->high,
                        "{$point->reference->text()} is {$value}",
                    );
                }
            }
        }
        foreach ([
            'master:grand' => 100,
            'master:own' => 100,
            'master:grand/flash' => 0,
            'master:own/flash' => 0,
            'master:grand/solo' => 0,
            'master:own/solo' => 0,
            'master:blackout' => 0,
        ] as $point => $value) {
            $evening->set($point, $value);
        }
        $evening->press('programme:release');
        $evening->rig->pass(12.0);
        self::assertSame([0, 0, 0, 0, 0, 0, 0, 0], $evening->levels());
        self::assertTrue($evening->rig->junction->universes()['palm']->layers()->areNone());
        self::assertTrue($evening->rig->junction->universes()['palm']->wayOut()->modifiers->areNone());
        self::assertSame([[], []], [$evening->rig->junction->programme->looks->live(), array_filter(
            $evening->rig->junction->programme->lists->live(),
            static fn($live): bool => $live->isOn,
        )]);
    }

    /** An edit moves what is live by no more than it is an edit of. */
    #[DataProvider('seeds')]
    public function testAnEditIsNoLargerJumpThanItself(int $seed): void
    {
        mt_srand(100 + $seed);
        $level = static fn(): int => mt_rand(0, 100);
        $before = $level();
        $list = static fn(int $value): array => ['lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => [
            ['number' => '1', 'up' => 0, 'values' => Evening::values(['fixture:c/level' => 50])],
            ['number' => '2', 'up' => 10, 'down' => 10, 'values' => Evening::values(['fixture:c/level' => $value])],
        ]]]];
        $evening = new Evening($list($before));
        $evening->press('list:walk/go');
        $evening->press('list:walk/go');
        $wide = static fn(Evening $one): int => $one->levels()[2] * 256 + $one->levels()[3];
        for ($i = 0; $i < 10; ++$i) {
            $evening->rig->pass(1.0);
            $after = $level();
            $was = $wide($evening);
            $evening->rig->adopt([...$evening->rig->document, ...$list($after)]);
            self::assertLessThanOrEqual(
                65535 * abs($after - $before) / 100 + 65535 * 0.0025,
                abs($wide($evening) - $was),
                "from {$before} to {$after}, {$i} s",
            );
            $before = $after;
        }
        self::assertEqualsWithDelta(65535 * $before / 100, $wide($evening), 1);
    }

    private function act(Evening $evening): Evening
    {
        $one = static fn(array $of): mixed => $of[mt_rand(0, \count($of) - 1)];
        switch (mt_rand(0, 11)) {
            case 0:
            case 1:
                $evening->press('look:'.$one(['one', 'two', 'three']));
                break;
            case 2:
                $evening->set('look:'.$one(['one', 'two', 'three']), mt_rand(0, 100));
                break;
            case 3:
            case 4:
                $evening->press('list:'.$one(['walk', 'track']).'/'.$one(['go', 'go', 'back', 'pause', 'resume', 'stop', 'release']));
                break;
            case 5:
                $evening->set('list:'.$one(['walk', 'track']), mt_rand(1, 4));
                break;
            case 6:
                $evening->set('master:'.$one(['grand', 'own']), mt_rand(0, 100));
                break;
            case 7:
                $evening->press('master:'.$one(['grand', 'own']).'/'.$one(['zero', 'full', 'flash', 'solo']));
                break;
            case 8:
                $evening->press('wave:'.$one(['add', 'times', 'instead', 'master']));
                break;
            case 9:
                $evening->set(
                    'wave:'.$one(['add', 'times', 'instead', 'master']).'/'.$one(['rate', 'size', 'centre', 'phase']),
                    mt_rand(0, 100),
                );
                break;
            case 10:
                $evening->rig->adopt(self::programme() + $evening->rig->document);
                break;
            default:
                return $evening->restarted(mt_rand(0, 40) / 10);
        }

        return $evening;
    }

    /** @return array<string, mixed> other values each time */
    private static function programme(): array
    {
        $values = static function (): array {
            $chosen = [];
            foreach (self::PARAMETERS as $point) {
                if (mt_rand(0, 2) === 0) {
                    $chosen[$point] = mt_rand(0, 100);
                }
            }

            return Evening::values($chosen);
        };
        $look = static fn(string $id): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'fadeIn' => mt_rand(0, 30) / 10,
            'fadeOut' => mt_rand(0, 30) / 10,
            'delay' => mt_rand(0, 1),
            ...(mt_rand(0, 1) === 0 ? ['set' => 'room'] : []), 'values' => $values(), 'kinds' => [['kind' => 'beam', 'jumps' => true]],
        ];
        $cue = static fn(int $i): array => [
            'number' => (string) $i,
            'up' => mt_rand(0, 20) / 10,
            'down' => mt_rand(0, 20) / 10,
            'delay' => mt_rand(0, 1),
            'values' => $values(),
            ...(mt_rand(0, 3) === 0 ? ['follow' => ['kind' => 'complete', 'seconds' => mt_rand(0, 2)]] : []),
            ...(mt_rand(0, 3) === 0 ? ['follow' => ['kind' => 'beat', 'beats' => 2]] : []),
        ];
        $wave = static fn(string $id, string $mode, array $on): array => [
            'id' => $id, 'name' => ucfirst($id), 'mode' => $mode, 'shape' => ['sine', 'square', 'steps', 'smooth'][mt_rand(0, 3)],
            'unit' => ['hertz', 'beats'][mt_rand(0, 1)],
            'on' => array_map(static fn(string $point): array => ['point' => $point], $on),
            'offset' => mt_rand(0, 360),
        ];

        return [
            'looks' => array_map($look, ['one', 'two', 'three']),
            'lists' => [
                ['id' => 'walk', 'name' => 'Walk', 'cues' => array_map($cue, range(1, 4)), 'end' => ['none', 'loop', 'bounce'][mt_rand(0, 2)]],
                ['id' => 'track', 'name' => 'Track', 'tracking' => true, 'cues' => array_map($cue, range(1, 4))],
            ],
            'masters' => [['id' => 'grand', 'name' => 'Grand', 'time' => 2], ['id' => 'own', 'name' => 'Own', 'over' => 'programme', 'curve' => 'square', 'linked' => ['grand']]],
            'waves' => [
                $wave('add', 'add', ['fixture:a/level', 'fixture:h/pan']), $wave('times', 'multiply', ['group:all/level']),
                $wave('instead', 'replace', ['fixture:c/level', 'fixture:h/red']),
                $wave('master', 'add', ['master:own', 'look:one', 'wave:add/size']),
            ],
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => mt_rand(60, 180)]],
        ];
    }
}
