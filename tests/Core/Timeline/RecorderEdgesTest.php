<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Live\Recording\Recorder;
use NimbleJunction\Core\Live\Recording\RecordingPlan;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** Recording at its edges: latency, beats, holds, groups, values, edits while it runs, and what is left when it is over. */
final class RecorderEdgesTest extends TestCase
{
    public function testAHandThatIsLateIsWrittenEarlier(): void
    {
        foreach ([0.0, 0.2] as $latency) {
            $evening = self::evening();
            self::record($evening, new RecordingPlan('song', [Evening::point('value:mood')], 'overdub', latency: $latency));
            $evening->rig->pass(2.0);
            $evening->set('value:mood', 7);
            $evening->rig->pass(1.0);
            self::recorder($evening)->stop($evening->rig->nanos());
            [$lane] = self::recorder($evening)->passes[0]->lanes(0.0);
            self::assertEqualsWithDelta(2.0 - $latency, $lane->from, 0.015, "late by {$latency}");
            self::assertSame(7.0, $lane->knots[0]->value);
        }
    }

    public function testInBeatsTimesAreBeats(): void
    {
        $evening = self::evening(['unit' => 'beats', 'tempo' => 'main', 'length' => 64]);
        self::record($evening, new RecordingPlan('song', [Evening::point('value:mood')], 'overdub'));
        // At 120 a minute two seconds are four beats.
        $evening->rig->pass(2.0);
        $evening->set('value:mood', 3);
        $evening->rig->pass(1.0);
        self::recorder($evening)->stop($evening->rig->nanos());
        [$lane] = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertEqualsWithDelta([4.0, 6.0], [$lane->from, $lane->to], 0.05);
    }

    public function testWhatSomebodyHoldsIsWrittenAsItIsHeld(): void
    {
        $evening = self::evening();
        self::record($evening, new RecordingPlan('song', array_map(Evening::point(...), ['fixture:a/level', 'slot:palm/2']), 'touch'));
        $evening->rig->pass(1.0);
        $junction = $evening->rig->junction;
        foreach ([40, 80, 120] as $i => $level) {
            $junction->hold(
                'palm',
                [new Hold(0, $level, 'Ada', $evening->rig->nanos() + 60_000_000_000), new Hold(1, $level, 'Ada', $evening->rig->nanos() + 60_000_000_000)],
                $evening->rig->nanos(),
            );
            $evening->rig->pass(0.1);
        }
        self::recorder($evening)->stop($evening->rig->nanos());
        $lanes = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertCount(2, $lanes);
        foreach ($lanes as $lane) {
            $most = max(array_map(static fn($knot): float => $knot->value, $lane->knots));
            self::assertEqualsWithDelta($lane->point?->kind === 'slot' ? 120.0 : 120 / 2.55, $most, 0.3, (string) $lane->point?->text());
        }
    }

    public function testAGroupIsWrittenWhereItsMembersAreAlike(): void
    {
        $evening = self::evening();
        self::record($evening, new RecordingPlan('song', [Evening::point('group:all/level')], 'erase'));
        $evening->rig->pass(0.5);
        $evening->set('group:all/level', 60);
        $evening->rig->pass(0.5);
        $evening->set('fixture:a/level', 10);
        $evening->rig->pass(0.5);
        $evening->set('group:all/level', 20);
        $evening->rig->pass(0.5);
        self::recorder($evening)->stop($evening->rig->nanos());
        [$lane] = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertEqualsWithDelta(
            [0.0, 60.0, 20.0],
            array_values(array_unique(array_map(static fn($knot): float => round($knot->value), $lane->knots))),
            0.5,
            'no value of one alone',
        );
    }

    public function testAnEditWhileItRunsLosesNothingAndTheLineStaysSilentMeanwhile(): void
    {
        $evening = self::evening(['tracks' => [self::track(0)]]);
        self::record($evening, new RecordingPlan('song', [Evening::point('value:mood')], 'erase'));
        $evening->rig->pass(0.5);
        $evening->set('value:mood', 6);
        $evening->rig->pass(0.5);
        $evening->rig->adopt([...$evening->rig->document, 'timelines' => [self::song(['note' => 'edited', 'tracks' => [self::track(0)]])]]);
        $evening->rig->pass(0.5);
        self::assertSame('running', self::recorder($evening)->state);
        self::assertEqualsWithDelta(6.0, $evening->read('value:mood'), 0.5, 'its line leaves it alone');
        self::recorder($evening)->stop($evening->rig->nanos());
        [$lane] = self::recorder($evening)->passes[0]->lanes(0.0);
        self::assertEqualsWithDelta([0.0, 1.5], [$lane->from, $lane->to], 0.03, 'one span over the edit');
        $evening->rig->pass(0.1);
        self::assertEqualsWithDelta(0.0, $evening->read('value:mood'), 0.5, 'the line has it again');
    }

    public function testThePassThatWaitsOutlivesTheDeletionOfItsTimeline(): void
    {
        $evening = self::evening();
        self::record($evening, new RecordingPlan('song', [Evening::point('value:mood')], 'overdub'));
        $evening->rig->pass(0.2);
        $evening->set('value:mood', 5);
        $evening->rig->pass(0.2);
        $evening->rig->adopt([...$evening->rig->document, 'timelines' => []]);
        $recorder = self::recorder($evening);
        self::assertSame(['done', 'its timeline is gone'], [$recorder->state, $recorder->why]);
        self::assertCount(1, $recorder->passes);
        $recorder->forget();
        self::assertSame(['off', [], 0], [$recorder->state, $recorder->passes, $recorder->samples]);
        self::assertNull($evening->rig->junction->points()->watcher ?? null, 'nobody looks on any more');
    }

    public function testWhatStoodStillStandsStillAndWhatMovedMoves(): void
    {
        $evening = self::evening();
        self::record($evening, new RecordingPlan('song', [Evening::point('value:mood')], 'erase'));
        $evening->rig->pass(2.0);
        $evening->set('value:mood', 8);
        $evening->rig->pass(2.0);
        self::recorder($evening)->stop($evening->rig->nanos());
        [$lane] = self::recorder($evening)->passes[0]->lanes(0.5);
        $knots = array_map(static fn($knot): array => [round($knot->at, 1), $knot->value], $lane->knots);
        self::assertSame(
            [[0.0, 0.0], [2.0, 0.0], [2.0, 8.0], [4.0, 8.0]],
            $knots,
            'a step after a while is a step, and no ramp of two seconds',
        );
    }

    private static function recorder(Evening $evening): Recorder
    {
        return $evening->rig->junction->programme->recorder;
    }

    private static function record(Evening $evening, RecordingPlan $plan): void
    {
        self::assertSame('', self::recorder($evening)->start($plan, $evening->rig->nanos()));
    }

    /** @param array<string, mixed> $changes to the song */
    private static function evening(array $changes = []): Evening
    {
        return new Evening([
            'values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 10]],
            'tempos' => [['id' => 'main', 'name' => 'Main', 'start' => 120]],
            'timelines' => [self::song($changes)],
        ]);
    }

    /**
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function song(array $changes = []): array
    {
        return ['id' => 'song', 'name' => 'Song', 'length' => 20, ...$changes];
    }

    /** @return array<string, mixed> */
    private static function track(int $value): array
    {
        return [
            'id' => 'm',
            'name' => 'M',
            'does' => ['kind' => 'levels', 'point' => 'value:mood', 'knots' => [['at' => 0, 'value' => $value]]],
        ];
    }
}
