<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Cue lists against tables worked by hand. */
final class ListsTest extends TestCase
{
    private const WAYS = ['go', 'back', 'pause', 'resume', 'stop', 'release'];

    public function testGoBackAndJumpAndWhatThePointsSay(): void
    {
        $evening = self::with([
            self::cue('1', ['fixture:a/level' => 100]),
            self::cue('2', ['fixture:b/level' => 100]),
            self::cue('2.5', ['fixture:a/level' => 40]),
            self::cue('101', []),
        ]);
        self::assertSame([null, 0], [$evening->read('list:walk'), $evening->read('list:walk/running')]);
        self::assertSame('there is no cue before', $evening->press('list:walk/back'));
        foreach ([
            ['go', 1.0, [255, 0]],
            ['go', 2.0, [0, 255]],
            ['go', 2.5, [102, 0]],
            ['back', 2.0, [0, 255]],
            ['back', 1.0, [255, 0]],
        ] as [$act, $cue, $levels]) {
            self::assertSame('', $evening->press("list:walk/{$act}"));
            self::assertSame([$cue, 1], [$evening->read('list:walk/cue'), $evening->read('list:walk/running')]);
            self::assertSame($levels, \array_slice($evening->levels(), 0, 2), "{$act} to {$cue}");
        }
        self::assertSame('', $evening->set('list:walk', 101));
        self::assertSame([101.0, [0, 0]], [$evening->read('list:walk'), \array_slice($evening->levels(), 0, 2)]);
        self::assertSame('there is no next cue', $evening->press('list:walk'));
        self::assertSame('it has no cue 3', $evening->set('list:walk/cue', '3'));
        self::assertSame('', $evening->set('list:walk/load', '2.5'));
        $evening->press('list:walk/go');
        self::assertSame(2.5, $evening->read('list:walk'));
        $evening->press('list:walk/release');
        $evening->rig->pass(2.1);
        self::assertSame(
            [null, 0, [0, 0]],
            [$evening->read('list:walk'), $evening->read('list:walk/running'), \array_slice($evening->levels(), 0, 2)],
        );
    }

    public function testUpAndDownTimesAreApartAndOneOwnerFadesWithoutADip(): void
    {
        $evening = self::with([
            self::cue('1', ['fixture:a/level' => 100, 'fixture:b/level' => 50]),
            self::cue(
                '2',
                ['fixture:a/level' => 20, 'fixture:b/level' => 50, 'fixture:c/level' => 100],
                ['up' => 2, 'down' => 4, 'delay' => 1],
            ),
        ]);
        $evening->press('list:walk/go');
        $evening->press('list:walk/go');
        $fine = static fn(): int => $evening->levels()[2] * 256 + $evening->levels()[3];
        // Rows: seconds after go, A falls from 255 to 51 in 4 s, B stays, C rises to 65535 in 2 s; all a second later.
        foreach ([[1.0, 255, 0], [2.0, 204, 32768], [3.0, 153, 65535], [4.0, 102, 65535], [5.1, 51, 65535]] as [$at, $a, $c]) {
            $evening->rig->pass(1000 + $at - $evening->rig->now);
            self::assertEqualsWithDelta($a, $evening->levels()[0], 2, "A at {$at}");
            self::assertSame(128, $evening->levels()[1], 'what both have does not move');
            self::assertEqualsWithDelta($c, $fine(), 65535 * 0.023 / 2 + 1, "C at {$at}");
        }
        self::assertSame([51, 128, 255, 255], \array_slice($evening->levels(), 0, 4));
    }

    public function testTrackingIsASettingAndSaidInWords(): void
    {
        $cues = [
            self::cue('1', ['fixture:a/level' => 100, 'fixture:h/red' => 100]),
            self::cue('2', ['fixture:b/level' => 100]),
            self::cue('3', ['fixture:c/level' => 100], ['block' => true]),
            self::cue('4', ['fixture:b/level' => 20], ['assert' => true]),
        ];
        $evening = self::with($cues, ['tracking' => true]);
        foreach ([[255, 0, 0], [255, 255, 0], [0, 0, 255], [0, 51, 255]] as $i => $expected) {
            $evening->press('list:walk/go');
            self::assertSame($expected, \array_slice($evening->levels(), 0, 3), 'cue '.($i + 1));
        }
        $evening->set('list:walk', '2');
        self::assertSame([255, 255, 0], \array_slice($evening->levels(), 0, 3), 'a jump gives what running there gives');
        $evening->press('list:walk/back');
        self::assertSame([255, 0, 0], \array_slice($evening->levels(), 0, 3));
        $list = ShowReader::fromArray([...Rig::document(), ...$evening->rig->document])->lists['walk'];
        self::assertStringContainsString('stays as earlier cues left it', $list->words());
        $apart = self::with($cues);
        $apart->press('list:walk/go');
        $apart->press('list:walk/go');
        self::assertSame([0, 255, 0], \array_slice($apart->levels(), 0, 3));
    }

    public function testAssertTakesAgainWhatTracksAndOthersLeaveItToTheDesk(): void
    {
        $cues = [
            self::cue('1', ['fixture:h/pan' => 100]),
            self::cue('2', ['fixture:a/level' => 10]),
            self::cue('3', ['fixture:a/level' => 20], ['assert' => true]),
        ];
        $evening = self::with($cues, ['tracking' => true]);
        $evening->press('list:walk/go');
        $evening->rig->artNet([5 => 9]);
        $evening->rig->artNet([5 => 10]);
        self::assertSame(10, $evening->levels()[4]);
        $evening->press('list:walk/go');
        self::assertSame(10, $evening->levels()[4], 'what a cue does not name takes nothing');
        $evening->press('list:walk/go');
        self::assertSame(255, $evening->levels()[4]);
    }

    public function testWhatFollowsGoesByItself(): void
    {
        $evening = self::with([
            self::cue('1', [], ['follow' => ['kind' => 'after', 'seconds' => 2]]),
            self::cue('2', ['fixture:a/level' => 100], ['up' => 1, 'follow' => ['kind' => 'complete', 'seconds' => 0.5]]),
            self::cue('3', []),
        ]);
        $evening->press('list:walk/go');
        foreach ([[1.9, 1.0], [0.2, 2.0], [1.3, 2.0], [0.2, 3.0], [9.0, 3.0]] as [$seconds, $cue]) {
            $evening->rig->pass($seconds);
            self::assertSame($cue, $evening->read('list:walk'));
        }
        // Any other act disarms it.
        $evening->set('list:walk', 1);
        $evening->rig->pass(1.0);
        $evening->set('list:walk', 3);
        $evening->rig->pass(5.0);
        self::assertSame(3.0, $evening->read('list:walk'));
    }

    public function testCuesThatFollowAtOnceInACircleAreOneAFrame(): void
    {
        $at = ['follow' => ['kind' => 'after', 'seconds' => 0]];
        $evening = self::with(
            [self::cue('1', ['fixture:a/level' => 100], $at), self::cue('2', ['fixture:a/level' => 50], $at)],
            ['end' => 'loop'],
        );
        $evening->press('list:walk/go');
        $seen = [];
        for ($i = 0; $i < 44; ++$i) {
            $evening->rig->pass(1 / 44);
            $seen[] = $evening->read('list:walk');
        }
        self::assertEqualsWithDelta([22, 22], array_values(array_count_values(array_map(strval(...), $seen))), 2);
    }

    public function testPauseStopRateAndWhatIsAtTheEnd(): void
    {
        $cues = [
            self::cue('1', ['fixture:a/level' => 100], ['up' => 10, 'follow' => ['kind' => 'after', 'seconds' => 20]]),
            self::cue('2', []),
        ];
        $evening = self::with($cues);
        $evening->press('list:walk/go');
        $evening->rig->pass(5.0);
        $evening->press('list:walk/pause');
        self::assertSame(0, $evening->read('list:walk/running'));
        $evening->rig->pass(60.0);
        self::assertEqualsWithDelta(128, $evening->levels()[0], 2, 'it stands');
        $evening->set('list:walk/rate', 5);
        $evening->set('list:walk/running', 1);
        $evening->rig->pass(1.05);
        self::assertSame(255, $evening->levels()[0], 'five times as fast: 5 s in 1');
        $evening->rig->pass(2.1);
        self::assertSame(2.0, $evening->read('list:walk'));
        $evening->set('list:walk', '1');
        $evening->press('list:walk/stop');
        $evening->press('list:walk/resume');
        $evening->rig->pass(30.0);
        self::assertSame(1.0, $evening->read('list:walk'), 'nothing follows what was stopped');
        foreach (['loop' => [2.0, 1.0, 2.0], 'bounce' => [2.0, 1.0, 2.0, 1.0]] as $end => $order) {
            $evening = self::with([self::cue('1', []), self::cue('2', [])], ['end' => $end]);
            $evening->press('list:walk/go');
            foreach ($order as $cue) {
                $evening->press('list:walk/go');
                self::assertSame($cue, $evening->read('list:walk'), $end);
            }
        }
    }

    public function testItGoesOnAfterARestartWithAllThatFollowed(): void
    {
        $evening = self::with([
            self::cue('1', ['fixture:a/level' => 100], ['follow' => ['kind' => 'after', 'seconds' => 3]]),
            self::cue('2', ['fixture:b/level' => 100], ['up' => 4, 'follow' => ['kind' => 'after', 'seconds' => 3]]),
            self::cue('3', ['fixture:b/level' => 100, 'fixture:c/level' => 100], ['up' => 8]),
        ]);
        $evening->press('list:walk/go');
        $evening->rig->pass(1.0);
        $again = $evening->restarted(9.0);
        // 10 s after the first go: cue 3 went at 6, and is half way.
        self::assertSame(3.0, $again->read('list:walk'));
        self::assertEqualsWithDelta(32768, $again->levels()[2] * 256 + $again->levels()[3], 600);
        $again->rig->pass(4.2);
        self::assertSame([0, 255, 255, 255], \array_slice($again->levels(), 0, 4));
    }

    public function testNoOrderOfActsLeavesASlotThatNobodyOwns(): void
    {
        mt_srand(13);
        for ($round = 0; $round < 12; ++$round) {
            $points = ['fixture:a/level', 'fixture:b/level', 'fixture:c/level', 'fixture:h/pan', 'fixture:h/red'];
            $cues = array_map(static fn(int $i): array => self::cue((string) $i, [
                $points[mt_rand(0, 4)] => mt_rand(0, 100), $points[mt_rand(0, 4)] => mt_rand(0, 100),
            ], ['up' => mt_rand(0, 3), 'down' => mt_rand(0, 3), 'delay' => mt_rand(0, 1), 'block' => mt_rand(0, 4) === 0, 'assert' => mt_rand(0, 4) === 0]), range(1, 6));
            $evening = self::with($cues, ['tracking' => (bool) mt_rand(0, 1)]);
            for ($act = 0; $act < 30; ++$act) {
                match (mt_rand(0, 4)) {
                    0 => $evening->set('list:walk', mt_rand(1, 6)),
                    1 => $evening->rig->adopt(
                        ['lists' => [[
                            'id' => 'walk',
                            'name' => 'Walk',
                            'cues' => array_values(array_filter($cues, static fn(): bool => mt_rand(0, 3) > 0)),
                        ]]] + $evening->rig->document,
                    ),
                    2 => $evening->rig->adopt(['lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => $cues]]] + $evening->rig->document),
                    default => $evening->press('list:walk/'.self::WAYS[mt_rand(0, 5)]),
                };
                $evening->rig->pass(mt_rand(0, 20) / 10);
            }
            $evening->press('list:walk/release');
            $evening->rig->pass(3.0);
            self::assertSame([0, 0, 0, 0, 0, 0, 0, 0], $evening->levels(), "round {$round}");
            self::assertTrue($evening->rig->junction->universes()['palm']->layers()->areNone(), "round {$round}");
        }
    }

    public function testACueThatIsDeletedWhileItRunsLeavesWhatItGivesAndTheNextOneIsBehindIt(): void
    {
        $cues = [
            self::cue('1', []),
            self::cue('2', ['fixture:a/level' => 80, 'fixture:b/level' => 40]),
            self::cue('3', ['fixture:b/level' => 100]),
        ];
        $evening = self::with($cues);
        $evening->set('list:walk', 2);
        unset($cues[1]);
        $evening->rig->adopt([...$evening->rig->document, 'lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => array_values($cues)]]]);
        self::assertSame([204, 102], \array_slice($evening->levels(), 0, 2));
        $evening->press('list:walk/go');
        self::assertSame([3.0, 0, 255], [$evening->read('list:walk'), ...\array_slice($evening->levels(), 0, 2)]);
        $evening->set('list:walk', 1);
        $evening->set('list:walk', 3);
        $fixtures = array_values(array_filter($evening->rig->document['fixtures'], static fn(array $one): bool => $one['id'] !== 'b'));
        $evening->rig->adopt([
            ...$evening->rig->document,
            'fixtures' => $fixtures,
            'groups' => [],
            'lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => [self::cue('1', [])]]],
        ]);
        self::assertSame(0, $evening->levels()[1], 'what lies nowhere any more is given nothing');
    }

    public function testWhatDoesNotFitIsRefusedWithItsPlace(): void
    {
        $wrong = [
            [['cues' => [self::cue('2', []), self::cue('1', [])]], '/lists/0/cues/1/number'],
            [['cues' => [self::cue('1', []), self::cue('1.0', [])]], '/lists/0/cues/1/number'],
            [['cues' => [self::cue('one', [])]], '/lists/0/cues/0/number'],
            [['cues' => [self::cue('1', [], ['look' => 'gone'])]], '/lists/0/cues/0/look'],
            [['cues' => [self::cue('1', ['fixture:gone/level' => 1])]], '/lists/0/cues/0/values/0/point'],
            [['cues' => [self::cue('1', ['fixture:a/level' => 'high'])]], '/lists/0/cues/0/values/0/value'],
            [['cues' => [self::cue('1', [], ['follow' => ['kind' => 'after']])]], '/lists/0/cues/0/follow/seconds'],
        ];
        foreach ($wrong as [$list, $path]) {
            try {
                self::with([], $list);
                self::fail($path);
            } catch (ShowRefused $refused) {
                self::assertContains($path, array_map(static fn($fault): string => $fault->path, $refused->faults));
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function rules(): iterable
    {
        yield 'slot by slot' => ['slot'];
        yield 'highest' => ['htp'];
        yield 'latest' => ['ltp'];
    }

    #[DataProvider('rules')]
    public function testItEndsAtWhatIsThereWithoutItWhateverTheRule(string $merge): void
    {
        $evening = new Evening(
            ['lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => [self::cue('1', ['fixture:a/level' => 100, 'fixture:h/pan' => 100])]]]],
            $merge,
        );
        $evening->rig->artNet([1 => 60, 5 => 20]);
        $evening->press('list:walk/go');
        self::assertSame([255, 255], [$evening->levels()[0], $evening->levels()[4]]);
        $evening->press('list:walk/release');
        $before = $evening->levels();
        for ($i = 0; $i < 90; ++$i) {
            $evening->rig->pass(0.025);
            self::assertLessThanOrEqual(6, $before[0] - $evening->levels()[0], 'no step');
            $before = $evening->levels();
        }
        self::assertSame([60, 20], [$evening->levels()[0], $evening->levels()[4]]);
    }

    /**
     * @param list<array<string, mixed>> $cues
     * @param array<string, mixed> $more of the list
     */
    private static function with(array $cues, array $more = []): Evening
    {
        return new Evening(['lists' => [['id' => 'walk', 'name' => 'Walk', 'cues' => $cues, ...$more]]]);
    }

    /**
     * @param array<string, int|float|string> $values by point
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function cue(string $number, array $values, array $more = []): array
    {
        return ['number' => $number, 'up' => 0, 'values' => Evening::values($values), ...$more];
    }
}
