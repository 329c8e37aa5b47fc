<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Furnishing;

use NimbleJunction\Core\Furnishing\LevelLines;
use NimbleJunction\Core\Furnishing\LoopOfTake;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Takes laid on levels, lines drawn by hand and told by fewer points, takes that go round. */
final class LevelLinesTest extends TestCase
{
    public function testATakeGoesOnTheFirstTrackThatIsFreeForIt(): void
    {
        $show = self::show();
        [$lines, $fresh] = (new LevelLines($show, $show->timelines['song']))->laid($show->timelines['song']->takes[0]);
        self::assertSame(['open'], array_keys($lines), 'the one before is locked');
        self::assertSame([[0.0, 5.0], [1.0, 5.0], [1.0, 40.0], [2.0, 60.0], [2.0, 5.0]], self::places($lines['open']));
        self::assertSame(
            [['H, red', 'fixture:h/red', 2]],
            array_map(static fn(array $one): array => [$one['name'], $one['point'], \count($one['knots'])], $fresh),
            'what nobody moves yet has a track of its own; what is gone has none',
        );
    }

    public function testAHandDrawsLinesAndStepsWhereThereAreNamedRanges(): void
    {
        $show = self::show();
        $timeline = $show->timelines['song'];
        $lines = new LevelLines($show, $timeline);
        $samples = array_map(static fn(int $i): array => [$i / 100, $i * 0.4], range(0, 250));
        self::assertSame(
            [[0.0, 0.0], [2.5, 100.0], [2.5, 5.0]],
            self::places($lines->drawn($timeline->tracks[3], $samples, 0.5)),
            'a straight one, and back to what was there',
        );
        $steps = $lines->drawn($timeline->tracks[2], $samples, 0.5);
        self::assertSame(
            [Shape::Step],
            array_values(array_unique(array_map(static fn(Knot $one): Shape => $one->to, \array_slice($steps, 0, 3)), \SORT_REGULAR)),
        );
        $middles = array_map(
            static fn(array $range): float => ($range[0] + $range[1]) / 2,
            $show->patch()->find('h', 'wheel')?->placed->parameter->namedRanges() ?? [],
        );
        self::assertCount(3, $middles);
        foreach (\array_slice($steps, 0, -1) as $knot) {
            self::assertContains(
                $knot->value,
                array_map(static fn(float $one): float => round($one, 5), $middles),
                'it stands on a named range, and never between',
            );
        }
        $backwards = array_reverse($samples);
        self::assertEquals($steps, $lines->drawn($timeline->tracks[2], $backwards, 0.5), 'drawn from right to left it is the same');
    }

    public function testFewerPointsLeaveBendsAndStepsAsTheyAre(): void
    {
        $knots = [];
        for ($i = 0; $i <= 20; ++$i) {
            $knots[] = ['at' => $i / 10, 'value' => $i];
        }
        $knots[20]['to'] = 'smooth';
        $knots[] = ['at' => 4, 'value' => 80, 'to' => 'step'];
        $knots[] = ['at' => 5, 'value' => 10];
        for ($i = 1; $i <= 10; ++$i) {
            $knots[] = ['at' => 5 + $i, 'value' => 10];
        }
        $show = self::show(['tracks' => [['id' => 'l', 'name' => 'L', 'does' => ['kind' => 'levels', 'knots' => $knots]]]]);
        $track = $show->timelines['song']->tracks[0];
        [$thin, $off] = LevelLines::thinned($track, 0.5);
        self::assertSame([[0.0, 0.0], [2.0, 20.0], [4.0, 80.0], [5.0, 10.0], [15.0, 10.0]], self::places($thin));
        self::assertSame(0.0, $off);
        $before = $track->does instanceof LevelTrack ? $track->does->line : new Line([]);
        for ($at = 0.0; $at < 16.0; $at += 0.05) {
            self::assertEqualsWithDelta((float) $before->at($at), (float) (new Line($thin))->at($at), 1e-6, "at {$at}");
        }
    }

    public function testATakeGoesRoundInItsOwnTimeOrOnTheBeat(): void
    {
        $show = self::show();
        $take = $show->timelines['song']->takes[0];
        $own = new LoopOfTake($show, $take, 0.0);
        self::assertSame(2.0, $own->length(), 'from its first to its last');
        $made = $own->timeline('Round', 'Act 1', '', 'seconds');
        self::assertEquals(
            ['Round', 'Act 1', 2.0, true, 'release'],
            [$made['name'], $made['folder'], $made['length'], $made['loop'], $made['end']],
        );
        self::assertArrayNotHasKey('unit', $made);
        $beats = (new LoopOfTake($show, $take, 8.0))->timeline('Round', '', 'main', 'seconds');
        self::assertEquals(['beats', 8.0, 'main'], [$beats['unit'], $beats['length'], $beats['tempo']]);
        self::assertEquals(
            [[0.0, 40.0], [4.0, 60.0]],
            array_map(static fn(array $one): array => [$one['at'], $one['value']], $beats['tracks'][0]['does']['knots']),
        );
        ShowReader::fromArray([
            ...Rig::document(),
            ...Evening::show(),
            'tempos' => [['id' => 'main', 'name' => 'Main']],
            'timelines' => [['id' => 'round', ...$beats]],
        ]);
    }

    /**
     * @param list<Knot> $knots
     *
     * @return list<array{float, float}>
     */
    private static function places(array $knots): array
    {
        return array_map(static fn(Knot $one): array => [$one->at, $one->value], $knots);
    }

    /** @param array<string, mixed> $changes to the song */
    private static function show(array $changes = []): Show
    {
        $level = static fn(string $id, string $point, array $more = []): array => [
            'id' => $id,
            'name' => $id,
            'does' => ['kind' => 'levels', 'point' => $point, 'knots' => [['at' => 0, 'value' => 5]]],
            ...$more,
        ];
        $lane = static fn(?string $point, float $from, float $to, array $knots): array => [
            'from' => $from,
            'to' => $to,
            ...($point === null ? [] : ['point' => $point]),
            'knots' => $knots,
        ];
        $document = Evening::show();
        $document['profiles'][2]['parameters'][2]['ranges'] = [
            ['first' => 0, 'last' => 80, 'name' => 'open'], ['first' => 81, 'last' => 160, 'name' => 'star'], ['first' => 161, 'last' => 255, 'name' => 'leaf'],
        ];

        return ShowReader::fromArray([...Rig::document(), ...$document, 'timelines' => [[
            'id' => 'song', 'name' => 'Song',
            'tracks' => [$level('shut', 'fixture:c/level', ['locked' => true]), $level('open', 'fixture:c/level'), $level('wheel', 'fixture:h/wheel'), $level('free', 'fixture:a/level')],
            'takes' => [['id' => 't', 'name' => 'T', 'lanes' => [
                $lane('fixture:c/level', 1, 2, [['at' => 1, 'value' => 40], ['at' => 2, 'value' => 60]]),
                $lane('fixture:h/red', 1, 3, [['at' => 1, 'value' => 1], ['at' => 3, 'value' => 2]]),
                $lane(null, 1, 3, [['at' => 1, 'value' => 1]]),
            ]]],
            ...$changes,
        ]]]);
    }
}
