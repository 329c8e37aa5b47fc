<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Looks against tables worked by hand: value = from + (to − from) × time ÷ fade, rounded to the nearest step. */
final class LooksTest extends TestCase
{
    public function testItFadesInAndOutAndThePointsSaySo(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 80, 'fixture:h/pan' => 50], ['fadeIn' => 2, 'fadeOut' => 1])]);
        self::assertSame([0, 0.0, 0], [$evening->levels()[0], $evening->read('look:doors'), $evening->read('look:doors/active')]);
        self::assertSame('', $evening->press('look:doors'));
        self::assertSame([100.0, 1], [$evening->read('look:doors'), $evening->read('look:doors/active')]);
        // 80 % of 255 is 204; 50 % of 65535 rounds to 32768.
        foreach ([[0.5, 51, 8192], [1.0, 102, 16384], [1.5, 153, 24576], [2.0, 204, 32768], [9.0, 204, 32768]] as [$at, $level, $pan]) {
            $evening->rig->pass(1000 + $at - $evening->rig->now);
            self::assertEqualsWithDelta($level, $evening->levels()[0], 204 * 0.0228 / 2 + 1, "level at {$at}");
            self::assertEqualsWithDelta($pan, $evening->levels()[4] * 256 + $evening->levels()[5], 32768 * 0.0228 / 2 + 1, "pan at {$at}");
        }
        self::assertSame([204, 0x80, 0x00], [$evening->levels()[0], $evening->levels()[4], $evening->levels()[5]]);
        $evening->press('look:doors');
        self::assertSame([0.0, 0], [$evening->read('look:doors'), $evening->read('look:doors/active')]);
        $evening->rig->pass(0.5);
        self::assertEqualsWithDelta(102, $evening->levels()[0], 204 * 0.0228 + 1);
        $evening->rig->pass(0.6);
        self::assertSame([0, 0, 0, 0, 0, 0, 0, 0], $evening->levels());
        $evening->rig->pass(3.0);
        self::assertGreaterThan(
            $evening->rig->nanos() + 300_000_000,
            $evening->rig->junction->dueAt(),
            'what does not move wakes nobody: only keep-alives are due',
        );
    }

    public function testEveryFrameOfAFadeIsTheFormulaAtItsTime(): void
    {
        $evening = self::with([self::look('doors', ['fixture:c/level' => 100], ['fadeIn' => 3])]);
        $evening->press('look:doors');
        $begin = $evening->rig->nanos();
        $frames = 0;
        for ($due = $evening->rig->junction->dueAt(); $due <= $begin + 3_100_000_000; $due = $evening->rig->junction->dueAt()) {
            $before = $evening->levels()[2] * 256 + $evening->levels()[3];
            $evening->rig->junction->wake($due);
            $is = $evening->levels()[2] * 256 + $evening->levels()[3];
            if ($is !== $before) {
                ++$frames;
                self::assertSame((int) floor(65535 * min(1, ($due - $begin) / 3e9) + 0.5), $is);
            }
        }
        self::assertSame(65535, $evening->levels()[2] * 256 + $evening->levels()[3]);
        // ANSI E1.11: at most 44 frames of 512 slots a second (from memory); 3 s of them.
        self::assertEqualsWithDelta(132, $frames, 2);
    }

    public function testTheHighestHasIntensitiesAndTheLatestAllElse(): void
    {
        $evening = self::with([
            self::look('one', ['fixture:a/level' => 40, 'fixture:h/pan' => 25], ['fadeIn' => 0, 'fadeOut' => 0]),
            self::look('two', ['fixture:a/level' => 20, 'fixture:b/level' => 60, 'fixture:h/pan' => 75], ['fadeIn' => 0, 'fadeOut' => 0]),
        ]);
        $evening->press('look:one');
        $evening->press('look:two');
        self::assertSame([102, 153], \array_slice($evening->levels(), 0, 2));
        self::assertSame(0xBF, $evening->levels()[4]);
        $evening->press('look:two');
        self::assertSame([102, 0], \array_slice($evening->levels(), 0, 2));
        self::assertSame(0x40, $evening->levels()[4], 'who changed it before has it again');
        // A desk joins: its intensity counts where it is higher, its pan as soon as it moves.
        $evening->rig->artNet([1 => 200, 5 => 10]);
        self::assertSame([200, 10], [$evening->levels()[0], $evening->levels()[4]]);
        $evening->press('look:two');
        self::assertSame([200, 153, 0xBF], [$evening->levels()[0], $evening->levels()[1], $evening->levels()[4]]);
        $evening->rig->artNet([1 => 30, 5 => 11]);
        self::assertSame([102, 11], [$evening->levels()[0], $evening->levels()[4]]);
    }

    public function testARecallOfWhatStandsTakesBackWhatAnotherHasTakenSince(): void
    {
        $evening = self::with([
            self::look('one', ['fixture:h/pan' => 25], ['press' => 'latched', 'fadeIn' => 0]),
            self::look('two', ['fixture:h/pan' => 75], ['press' => 'latched', 'fadeIn' => 0]),
        ]);
        foreach (['one' => 0x40, 'two' => 0xBF] + ['one ' => 0x40] as $look => $pan) {
            $evening->press('look:'.trim($look));
            self::assertSame($pan, $evening->levels()[4], $look);
        }
    }

    public function testARunningFadeTakesNothingFromAHandThatActedSince(): void
    {
        $evening = self::with([self::look('slow', ['fixture:h/pan' => 100], ['fadeIn' => 10])]);
        $evening->rig->artNet([5 => 50]);
        $evening->press('look:slow');
        $evening->rig->pass(2.0);
        self::assertGreaterThan(50, $evening->levels()[4]);
        $evening->rig->artNet([5 => 7]);
        $evening->rig->artNet([5 => 8]);
        $evening->rig->pass(1.0);
        self::assertSame(8, $evening->levels()[4]);
    }

    public function testALevelScalesIntensitiesAndCrossFadesTheRest(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 80, 'fixture:h/pan' => 100, 'fixture:h/wheel' => 100], [
            'fadeIn' => 30, 'delay' => 5, 'kinds' => [['kind' => 'beam', 'jumps' => true], ['kind' => 'position', 'fade' => 9]],
        ])]);
        $evening->rig->artNet([5 => 0, 6 => 0, 7 => 0, 8 => 0]);
        foreach ([[50, 102, 0x80, 255], [25, 51, 0x40, 255], [100, 204, 0xFF, 255]] as [$level, $lamp, $pan, $wheel]) {
            self::assertSame('', $evening->set('look:doors', $level));
            self::assertSame([$lamp, $pan, $wheel], [$evening->levels()[0], $evening->levels()[4], $evening->levels()[7]], "at {$level}");
            self::assertSame((float) $level, $evening->read('look:doors'));
        }
        $evening->set('look:doors', 0);
        self::assertSame([0, 0, 0], [$evening->levels()[0], $evening->levels()[4], $evening->levels()[7]]);
    }

    public function testLooksOfOneSetReplaceEachOtherWithoutADip(): void
    {
        $evening = self::with([
            self::look('one', ['fixture:a/level' => 100, 'fixture:b/level' => 100], ['set' => 'room', 'fadeIn' => 4]),
            self::look('two', ['fixture:a/level' => 100], ['set' => 'room', 'fadeIn' => 4]),
            self::look('other', ['fixture:c/level' => 100], ['fadeIn' => 0]),
        ]);
        $evening->press('look:one');
        $evening->press('look:other');
        $evening->rig->pass(5.0);
        $evening->press('look:two');
        self::assertSame(
            [0, 1, 1],
            [$evening->read('look:one/active'), $evening->read('look:two/active'), $evening->read('look:other/active')],
        );
        foreach ([1.0 => 191, 2.0 => 128, 3.0 => 64] as $at => $fading) {
            $evening->rig->pass(1.0);
            self::assertSame(255, $evening->levels()[0], 'what both give does not dip');
            self::assertEqualsWithDelta($fading, $evening->levels()[1], 3, "at {$at}");
        }
        $evening->rig->pass(1.1);
        self::assertSame([255, 0, 255], \array_slice($evening->levels(), 0, 3));
    }

    /** @return iterable<string, array{string, list<array{string, int}>}> */
    public static function presses(): iterable
    {
        yield 'toggle' => ['toggle', [['press', 1], ['press', 0], ['down', 1], ['up', 1], ['down', 0]]];
        yield 'latched' => ['latched', [['press', 1], ['press', 1], ['down', 1], ['up', 1]]];
        yield 'momentary' => ['momentary', [['press', 0], ['down', 1], ['up', 0], ['down', 1]]];
        yield 'once' => ['once', [['press', 1], ['wait', 0], ['press', 1], ['wait', 0]]];
    }

    /** @param list<array{string, int}> $acts */
    #[DataProvider('presses')]
    public function testWhatBecomesOfItWhenItIsPressed(string $press, array $acts): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100], ['press' => $press, 'fadeIn' => 0.5, 'fadeOut' => 0])]);
        foreach ($acts as $i => [$act, $expected]) {
            match ($act) {
                'press' => $evening->press('look:doors'),
                'down' => $evening->set('look:doors/pressed', 1),
                'up' => $evening->set('look:doors/pressed', 0),
                default => $evening->rig->pass(0.6),
            };
            self::assertSame($expected, $evening->read('look:doors/active'), "{$act}, {$i}");
        }
    }

    public function testDelaysOfKindsAndTheCommonFadeTime(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100, 'fixture:h/pan' => 100, 'fixture:h/wheel' => 100], [
            'delay' => 1, 'kinds' => [['kind' => 'position', 'fade' => 0, 'delay' => 2], ['kind' => 'beam', 'jumps' => true]],
        ])]);
        self::assertSame('', $evening->set('programme:fade-time', 4));
        $evening->press('look:doors');
        $evening->rig->pass(0.9);
        self::assertSame([0, 0, 0], [$evening->levels()[0], $evening->levels()[4], $evening->levels()[7]]);
        $evening->rig->pass(0.2);
        self::assertSame([0, 255], [$evening->levels()[4], $evening->levels()[7]], 'the wheel jumps when the delay is over');
        $evening->rig->pass(1.85);
        self::assertSame(0, $evening->levels()[4]);
        self::assertEqualsWithDelta(255 * 1.95 / 4, $evening->levels()[0], 3);
        $evening->rig->pass(0.1);
        self::assertSame(255, $evening->levels()[4]);
        $evening->press('programme:release');
        $evening->rig->pass(4.1);
        self::assertSame([0, 0, 0, 0, 0, 0, 0, 0], $evening->levels());
    }

    public function testItSetsOtherPointsAndDoesWhatItSays(): void
    {
        $evening = self::with(
            [self::look('doors', ['fixture:a/level' => 100, 'value:open' => 1, 'look:inner' => 50], ['fadeIn' => 0, 'do' => [['kind' => 'set', 'point' => 'value:count', 'value' => 7]]]),
                self::look('inner', ['group:all/level' => 40], ['fadeIn' => 0])],
            ['values' => [['id' => 'open', 'name' => 'Open', 'type' => 'switch'], ['id' => 'count', 'name' => 'Count', 'type' => 'number', 'high' => 10]]],
        );
        $evening->press('look:doors');
        self::assertSame([1, 7.0, 50.0], [$evening->read('value:open'), $evening->read('value:count'), $evening->read('look:inner')]);
        self::assertSame([255, 51], \array_slice($evening->levels(), 0, 2));
        self::assertSame(13107, $evening->levels()[2] * 256 + $evening->levels()[3], '20 % of 65535');
    }

    public function testLooksThatRecallEachOtherEnd(): void
    {
        $evening = self::with([
            self::look(
                'one',
                ['fixture:a/level' => 100, 'look:two' => 60],
                ['press' => 'latched', 'fadeIn' => 0, 'do' => [['kind' => 'press', 'point' => 'look:two']]],
            ),
            self::look(
                'two',
                ['fixture:b/level' => 100, 'look:one' => 40],
                ['press' => 'latched', 'fadeIn' => 0, 'do' => [['kind' => 'press', 'point' => 'look:one']]],
            ),
        ]);
        $evening->press('look:one');
        $evening->rig->pass(1.0);
        self::assertSame([1, 1], [$evening->read('look:one/active'), $evening->read('look:two/active')]);
        self::assertStringContainsString('16 deep', implode(' ', $evening->rig->allHops()), 'and it is said who was cut');
    }

    public function testItGoesOnAfterARestartWhereItWouldBe(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100, 'fixture:h/pan' => 100], ['fadeIn' => 10, 'fadeOut' => 10])]);
        $evening->press('look:doors');
        $evening->rig->pass(2.0);
        $again = $evening->restarted(3.0);
        self::assertEqualsWithDelta(128, $again->levels()[0], 3);
        self::assertSame(1, $again->read('look:doors/active'));
        $again->rig->pass(5.1);
        self::assertSame([255, 255], [$again->levels()[0], $again->levels()[4]]);
        $again->press('look:doors');
        $again->rig->pass(5.0);
        $out = $again->restarted(20.0);
        self::assertSame([0, 0, 0, 0, 0, 0, 0, 0], $out->levels());
        self::assertSame(0, $out->read('look:doors/active'));
    }

    public function testWhatIsDelayedBeginsAfterARestartAndStillJumps(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100, 'fixture:h/wheel' => 100], [
            'fadeIn' => 4, 'delay' => 3, 'kinds' => [['kind' => 'beam', 'delay' => 1, 'jumps' => true]],
        ])]);
        $evening->press('look:doors');
        $evening->rig->pass(1.0);
        $again = $evening->restarted(1.0);
        self::assertSame([0, 0], [$again->levels()[0], $again->levels()[7]]);
        $again->rig->pass(1.5);
        self::assertEqualsWithDelta(255 * 0.5 / 4, $again->levels()[0], 3);
        self::assertSame(0, $again->levels()[7]);
        $again->rig->pass(0.55);
        self::assertSame(255, $again->levels()[7]);
        $again->rig->pass(3.0);
        self::assertSame(255, $again->levels()[0]);
    }

    public function testAnEditMakesNoJumpThatIsLargerThanTheEdit(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100, 'fixture:b/level' => 100], ['fadeIn' => 10])]);
        $evening->press('look:doors');
        $evening->rig->pass(5.0);
        $before = $evening->levels();
        self::assertEqualsWithDelta(128, $before[0], 3);
        $evening->rig->adopt([
            ...$evening->rig->document,
            'looks' => [self::look('doors', ['fixture:a/level' => 90, 'fixture:b/level' => 100], ['fadeIn' => 10])],
        ]);
        // 10 % of the way is 26 steps, at half of it 13.
        self::assertEqualsWithDelta($before[0] - 13, $evening->levels()[0], 2);
        self::assertEqualsWithDelta($before[1], $evening->levels()[1], 1);
        $evening->rig->pass(5.1);
        self::assertSame([230, 255], \array_slice($evening->levels(), 0, 2));
        // The fixture goes elsewhere, with what is given to it.
        $fixtures = array_map(
            static fn(array $one): array => $one['id'] === 'a' ? ['first' => 101] + $one : $one,
            $evening->rig->document['fixtures'],
        );
        $evening->rig->adopt([...$evening->rig->document, 'fixtures' => $fixtures]);
        self::assertSame([0, 230], [$evening->levels()[0], $evening->rig->level(101)]);
        $evening->rig->adopt([...$evening->rig->document, 'looks' => []]);
        self::assertSame([0, 0], [$evening->rig->level(101), $evening->levels()[1]], 'no slot is left that nobody owns');
    }

    public function testAFadeGoesAlongWithAFixtureThatIsMoved(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100, 'fixture:h/pan' => 100], ['fadeIn' => 10])]);
        $evening->press('look:doors');
        $evening->rig->pass(4.0);
        [$lamp, $pan] = [$evening->levels()[0], $evening->levels()[4]];
        $fixtures = array_map(
            static fn(array $one): array => \in_array($one['id'], ['a', 'h'], true) ? ['first' => $one['first'] + 200] + $one : $one,
            $evening->rig->document['fixtures'],
        );
        $evening->rig->adopt([...$evening->rig->document, 'fixtures' => $fixtures]);
        self::assertSame([0, 0], [$evening->levels()[0], $evening->levels()[4]], 'nothing is left where they were');
        self::assertEqualsWithDelta([$lamp, $pan], [$evening->rig->level(201), $evening->rig->level(205)], 1, 'no lamp blinks');
        $evening->rig->pass(4.0);
        self::assertEqualsWithDelta(204, $evening->rig->level(201), 3);
        $evening->rig->adopt([
            ...$evening->rig->document,
            'fixtures' => \array_slice($fixtures, 1),
            'groups' => [],
            'looks' => [self::look('doors', ['fixture:h/pan' => 100])],
        ]);
        self::assertSame(0, $evening->rig->level(201), 'a fixture that is gone gives nothing');
    }

    public function testWhatNoneOfThemGivesAfterARestartEnds(): void
    {
        $evening = self::with([self::look('doors', ['fixture:a/level' => 100], ['fadeIn' => 0])]);
        $evening->press('look:doors');
        $state = json_decode(
            json_encode($evening->rig->junction->rooms()->state($evening->rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        unset($state['looks']);
        $again = self::with($evening->rig->document['looks']);
        $again->rig->junction->restore($state, $again->rig->nanos());
        $again->rig->pass(0.1);
        self::assertSame([0, 0], [$again->levels()[0], $again->read('look:doors/active')]);
    }

    /**
     * @param list<array<string, mixed>> $looks
     * @param array<string, mixed> $changes
     */
    private static function with(array $looks, array $changes = []): Evening
    {
        return new Evening(['looks' => $looks, ...$changes]);
    }

    /**
     * @param array<string, int|float|string> $values by point
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function look(string $id, array $values, array $more = []): array
    {
        return ['id' => $id, 'name' => ucfirst($id), 'values' => Evening::values($values), ...$more];
    }
}
