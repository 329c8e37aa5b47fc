<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Live\Recording\Recorder;
use NimbleJunction\Core\Live\Recording\RecordingPlan;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Laying;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\TakeLane;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/**
 * Movements flown by hand: two axes of a joystick by OSC, in 16 bits, along a timeline; what is written when, and what is given
 * meanwhile.
 */
final class RecorderTest extends TestCase
{
    private const TOLERANCE = 0.002;

    public function testASweepOfTwoAxesIsPlayedBackAsItWasFlown(): void
    {
        $evening = self::evening();
        self::assertSame(
            '',
            self::record(
                $evening,
                new RecordingPlan('song', [Evening::point('fixture:h/pan'), Evening::point('fixture:c/level')], 'erase', countIn: 2.0),
            ),
        );
        $evening->rig->pass(1.9);
        self::assertSame(['counting', 0], [self::recorder($evening)->state, $evening->read('timeline:song/running')]);
        $evening->rig->pass(0.1);
        self::assertSame(['running', 1], [self::recorder($evening)->state, $evening->read('timeline:song/running')]);
        $flown = [];
        for ($frame = 0; $frame < 150; ++$frame) {
            $at = $frame * 0.04;
            $evening->rig->osc('/x', 0.5 + 0.5 * sin($at));
            $evening->rig->osc('/y', $at / 6.0);
            $evening->rig->pass(0.01);
            $flown[] = [$at + 0.01, \array_slice($evening->levels(), 2, 4)];
            $evening->rig->pass(0.03);
        }
        self::recorder($evening)->stop($evening->rig->nanos());
        [$pass] = self::recorder($evening)->passes;
        $lanes = $pass->lanes(self::TOLERANCE);
        self::assertCount(2, $lanes);
        foreach ($lanes as $lane) {
            self::assertGreaterThan(140, $lane->samples);
            self::assertLessThan(100, \count($lane->knots), 'it is told by few points');
            self::assertLessThanOrEqual(self::TOLERANCE * 100.0 + 1e-4, $lane->off, 'in percent: the stated error');
        }
        $played = self::evening(['tracks' => self::tracks($lanes)]);
        foreach ($flown as [$at, $levels]) {
            $played->set('timeline:song', $at);
            $is = \array_slice($played->levels(), 2, 4);
            // It is looked at every 10 ms: the sweeps do 17 % and 50 % a second.
            self::assertEqualsWithDelta(
                $levels[0] * 256 + $levels[1],
                $is[0] * 256 + $is[1],
                65535 * (self::TOLERANCE + 0.0017),
                "level at {$at}",
            );
            self::assertEqualsWithDelta(
                $levels[2] * 256 + $levels[3],
                $is[2] * 256 + $is[3],
                65535 * (self::TOLERANCE + 0.005),
                "pan at {$at}",
            );
        }
    }

    public function testTouchWritesOnlyWhileItIsTouchedAndGivesTheLineItsPointBack(): void
    {
        $evening = self::evening(['tracks' => [self::track('fixture:c/level', [[0, 50], [10, 50]])]]);
        self::record($evening, new RecordingPlan('song', [Evening::point('fixture:c/level')], 'touch'));
        $evening->rig->pass(2.0);
        self::assertEqualsWithDelta(50.0, $evening->read('fixture:c/level'), 0.1, 'its line goes on');
        self::moved($evening, '/y', [0.2, 0.4, 0.8]);
        self::assertEqualsWithDelta(80.0, $evening->read('fixture:c/level'), 0.1, 'the hand has it');
        $evening->rig->pass(1.0);
        self::assertEqualsWithDelta(50.0, $evening->read('fixture:c/level'), 0.1, 'half a second later its line has it again');
        self::moved($evening, '/y', [0.1, 0.3]);
        self::recorder($evening)->stop($evening->rig->nanos());
        $lanes = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertCount(2, $lanes, 'it was touched twice');
        self::assertEqualsWithDelta([2.01, 2.11, 3.16, 3.21], [$lanes[0]->from, $lanes[0]->to, $lanes[1]->from, $lanes[1]->to], 0.011);
        self::assertEqualsWithDelta([20.0, 80.0], [$lanes[0]->knots[0]->value, $lanes[0]->knots[\count($lanes[0]->knots) - 1]->value], 0.1);
    }

    public function testOverdubEraseAndPunchWriteWhatTheySay(): void
    {
        foreach (['overdub' => [2.0, 4.0], 'erase' => [1.0, 4.0], 'touch' => [2.0, 2.2]] as $mode => [$from, $to]) {
            $evening = self::evening(['tracks' => [self::track('fixture:c/level', [[0, 0], [10, 100]])]]);
            self::record($evening, new RecordingPlan('song', [Evening::point('fixture:c/level')], $mode, from: 1.0, to: 4.0));
            $evening->rig->pass(2.0);
            self::moved($evening, '/y', [0.9, 0.7, 0.6]);
            $evening->rig->pass(4.0);
            self::assertEqualsWithDelta(
                (float) $evening->read('timeline:song') * 10.0,
                $evening->read('fixture:c/level'),
                0.5,
                "{$mode}: behind its end the line has it",
            );
            self::recorder($evening)->stop($evening->rig->nanos());
            [$lane] = self::recorder($evening)->passes[0]->lanes(self::TOLERANCE);
            self::assertEqualsWithDelta([$from, $to], [$lane->from, $lane->to], 0.12, $mode);
        }
    }

    public function testWhatMovesByItselfIsTouchedByNobodyAndADeskIs(): void
    {
        $evening = self::evening(['tracks' => [['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => [
            ['id' => 'up', 'at' => 1, 'do' => [['kind' => 'set', 'point' => 'look:warm', 'value' => 100], ['kind' => 'set', 'point' => 'fixture:b/level', 'value' => 40, 'fade' => 1]]],
        ]]]]], ['looks' => [['id' => 'warm', 'name' => 'Warm', 'fadeIn' => 1, 'values' => Evening::values(['fixture:c/level' => 90])]]]);
        self::record(
            $evening,
            new RecordingPlan('song', array_map(Evening::point(...), ['fixture:c/level', 'fixture:b/level', 'group:all/level'])),
        );
        $evening->rig->pass(3.0);
        self::assertEqualsWithDelta(90.0, $evening->read('fixture:c/level'), 0.5, 'the look is there');
        self::assertSame([], array_filter(self::recorder($evening)->points, static fn($point): bool => $point->touchedAt !== null));
        $evening->rig->artNet([2 => 200]);
        $evening->rig->pass(0.1);
        self::assertNotNull(self::recorder($evening)->points['fixture:b/level']->touchedAt, 'another desk has it');
        self::assertNull(self::recorder($evening)->points['fixture:c/level']->touchedAt);
    }

    public function testEveryRoundOfALoopIsATakeOfItsOwnAndAPauseEndsIt(): void
    {
        $evening = self::evening(['length' => 2, 'loop' => true]);
        self::record($evening, new RecordingPlan('song', [Evening::point('fixture:c/level')], 'erase', latency: 0.1));
        foreach ([0.2, 0.4, 0.6] as $value) {
            self::moved($evening, '/y', [$value]);
            $evening->rig->pass(1.95);
        }
        $evening->rig->pass(0.3);
        $evening->press('timeline:song/pause');
        $evening->rig->pass(0.02);
        $recorder = self::recorder($evening);
        self::assertSame(['done', 'the timeline does not play any more'], [$recorder->state, $recorder->why]);
        self::assertCount(4, $recorder->passes, 'three rounds, and a piece of the fourth');
        self::assertEqualsWithDelta(1.9, $recorder->passes[0]->lanes(0.0)[0]->to, 0.02, 'a tenth is taken off for the hand');
        self::assertSame(
            'something is recorded already: stop that first',
            self::record($evening, new RecordingPlan('song', [Evening::point('fixture:c/level')])) === ''
                ? self::record($evening, new RecordingPlan('song', []))
                : '',
        );
    }

    public function testFreeOfTheTimelineOnlyItsClockRunsAndAFootSwitchStartsAndEndsIt(): void
    {
        $evening = self::evening(['tracks' => [self::track('fixture:c/level', [[0, 30]]), self::track('fixture:h/pan', [], true)]]);
        $evening->set('timeline:song', 5.0);
        self::record($evening, new RecordingPlan('song', [Evening::point('fixture:c/level')], 'overdub', false));
        $evening->rig->pass(1.0);
        self::moved($evening, '/y', [0.5, 0.7]);
        self::assertSame([0, 1], [$evening->read('timeline:song/running'), $evening->read('timeline:song/record')]);
        self::assertSame('', $evening->press('timeline:song/record'));
        [$lane] = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertEqualsWithDelta([6.0, 6.1], [$lane->from, $lane->to], 0.11);
        self::assertSame('a recording waits: keep it, or throw it away', $evening->press('timeline:song/record'));
        self::recorder($evening)->forget();
        self::assertSame('', $evening->press('timeline:song/record'));
        $evening->rig->pass(0.1);
        self::assertSame(
            ['overdub', ['fixture:c/level']],
            [self::recorder($evening)->plan?->mode, array_keys(self::recorder($evening)->points)],
            'as last time',
        );
        $evening->rig->adopt(['timelines' => [], ...Evening::show()]);
        self::assertSame('off', self::recorder($evening)->state, 'nothing was touched, and its timeline is gone');
    }

    public function testWhatWasRecordedAndNotKeptWaitsOverARestart(): void
    {
        $evening = self::evening();
        self::record($evening, new RecordingPlan('song', [Evening::point('fixture:h/pan'), Evening::point('fixture:c/level')], 'erase'));
        for ($at = 0.0; $at < 3.0; $at += 0.04) {
            $evening->rig->osc('/x', 0.5 + 0.5 * sin(2 * $at));
            $evening->rig->osc('/y', $at / 3.0);
            $evening->rig->pass(0.04);
        }
        self::recorder($evening)->stop($evening->rig->nanos());
        $before = self::recorder($evening)->passes[0]->lanes(0.001);
        $again = $evening->restarted(600.0);
        self::assertSame(
            ['done', 'the engine was started anew', 'song'],
            [self::recorder($again)->state, self::recorder($again)->why, self::recorder($again)->plan?->timeline],
        );
        $after = self::recorder($again)->passes[0]->lanes(0.001);
        foreach ($before as $i => $lane) {
            self::assertSame(
                [$lane->point?->text(), $lane->from, $lane->to],
                [$after[$i]->point?->text(), $after[$i]->from, $after[$i]->to],
            );
            for ($at = $lane->from; $at < $lane->to; $at += 0.07) {
                self::assertEqualsWithDelta(
                    (new Line($lane->knots))->at($at),
                    (new Line($after[$i]->knots))->at($at),
                    100 * 0.0023,
                    "{$i} at {$at}",
                );
            }
        }
        self::assertSame('a recording waits: keep it, or throw it away', $again->press('timeline:song/record'));
        self::recorder($again)->forget();
        self::assertSame('off', self::recorder($again->restarted())->state, 'what was thrown away is gone');
    }

    public function testWhatHasNoNumberCannotBeArmed(): void
    {
        $evening = self::evening();
        $refused = static fn(string ...$points): string => self::record(
            $evening,
            new RecordingPlan('song', array_map(Evening::point(...), array_values($points))),
        );
        self::assertSame('timeline:song/section has no number that could be recorded', $refused('timeline:song/section'));
        self::assertStringContainsString('one to 64 points', $refused());
        self::assertSame(
            'there is no such timeline',
            self::record($evening, new RecordingPlan('gone', [Evening::point('fixture:a/level')])),
        );
    }

    private static function recorder(Evening $evening): Recorder
    {
        return $evening->rig->junction->programme->recorder;
    }

    private static function record(Evening $evening, RecordingPlan $plan): string
    {
        return self::recorder($evening)->start($plan, $evening->rig->nanos());
    }

    /** @param list<float> $values one every 50 ms */
    private static function moved(Evening $evening, string $axis, array $values): void
    {
        foreach ($values as $value) {
            $evening->rig->osc($axis, $value);
            $evening->rig->pass(0.05);
        }
    }

    /**
     * @param array<string, mixed> $changes to the song
     * @param array<string, mixed> $show
     */
    private static function evening(array $changes = [], array $show = []): Evening
    {
        $axis = static fn(string $address, string $point): array => [
            'id' => trim($address, '/'), 'name' => "Axis {$address}",
            'when' => [['kind' => 'osc', 'port' => 'tablet', 'address' => $address]],
            'steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 100]]],
            'do' => [['kind' => 'set', 'point' => $point]],
        ];

        return new Evening([
            'routes' => [$axis('/x', 'fixture:h/pan'), $axis('/y', 'fixture:c/level')],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 20, ...$changes]],
            ...$show,
        ]);
    }

    /**
     * @param list<array{float|int, float|int}> $knots
     *
     * @return array<string, mixed>
     */
    private static function track(string $point, array $knots, bool $isLocked = false): array
    {
        $does = [
            'kind' => 'levels',
            'point' => $point,
            'knots' => array_map(static fn(array $one): array => ['at' => $one[0], 'value' => $one[1]], $knots),
        ];

        return ['id' => preg_replace('#[^a-z]#', '-', $point), 'name' => $point, 'does' => $does, ...($isLocked ? ['locked' => true] : [])];
    }

    /**
     * @param list<TakeLane> $lanes
     *
     * @return list<array<string, mixed>>
     */
    private static function tracks(array $lanes): array
    {
        return array_map(static function (TakeLane $lane): array {
            $knots = Laying::over([], $lane->knots, $lane->from, $lane->to);

            return self::track(
                (string) $lane->point?->text(),
                array_map(static fn(Knot $knot): array => [$knot->at, $knot->value], $knots),
            );
        }, $lanes);
    }
}
