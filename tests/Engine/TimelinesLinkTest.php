<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\LiveLink;
use PHPUnit\Framework\TestCase;

/** Timelines by the live link: played and put somewhere by orders, seen by a topic, refused to a viewer. */
final class TimelinesLinkTest extends TestCase
{
    public function testAPageSeesWhereTimelinesAndTimeCodesAreAndViewersOnlySee(): void
    {
        $live = Background::freePort();
        $document = [...EngineProcess::document('127.78.46'), ...Evening::show(), 'ports' => [],
            'timecodes' => [['id' => 'tape', 'name' => 'Tape', 'rate' => '30']],
            'timelines' => [
                ['id' => 'song', 'name' => 'Song', 'length' => 60, 'loop' => true, 'tracks' => [['id' => 'a', 'name' => 'A', 'does' => [
                    'kind' => 'levels', 'point' => 'fixture:a/level', 'knots' => [['at' => 0, 'value' => 40]],
                ]]], 'markers' => [['id' => 'verse', 'at' => 20, 'name' => 'Verse', 'isSection' => true]]],
                ['id' => 'other', 'name' => 'Other', 'length' => 10],
            ],
        ];
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        try {
            $heard = (new LiveLink($live, Role::Operator, [
                ['do' => 'subscribe', 'topics' => ['timelines', 'points:fixture:a/level']],
                ['do' => 'set', 'point' => 'timeline:song', 'value' => 30],
                ['do' => 'set', 'point' => 'timeline:song/rate', 'value' => 2],
                ['do' => 'press', 'point' => 'timeline:song/play'],
                ['do' => 'set', 'point' => 'timeline:other', 'value' => 4],
                ['do' => 'set', 'point' => 'timecode:tape', 'value' => '10:00:00:12'],
                ['do' => 'press', 'point' => 'timeline:gone/play'],
                ['do' => 'set', 'point' => 'timeline:song', 'value' => 'later'],
            ], 1.0))->heard();
            $viewed = (new LiveLink($live, Role::Viewer, [
                ['do' => 'subscribe', 'topics' => ['timelines']],
                ['do' => 'press', 'point' => 'timeline:song/stop'],
            ], 0.5))->heard();
        } finally {
            $engine->stop();
        }
        $news = end($heard['timelines']);
        [$song, $other] = $news['timelines'];
        self::assertEquals(
            ['song', true, true, 2, true, 'Verse', 500],
            [$song['id'], $song['isOn'], $song['isPlaying'], $song['rate'], $song['loops'], $song['section'], $song['unit']],
        );
        self::assertEqualsWithDelta(30.0, ($news['now'] - $song['zeroAt']) / $song['unit'], 3.0, 'where it is, by the engine\'s clock');
        self::assertEquals([true, false, 4, null], [$other['isOn'], $other['isPlaying'], $other['at'], $other['zeroAt']]);
        self::assertEquals(['tape', '10:00:00:12', '30', '', false], array_values(array_slice($news['timecodes'][0], 0, 5)));
        self::assertEquals(40, round(end($heard['point'])['value']));
        $refused = array_column($heard['answer'], 'error');
        self::assertCount(2, $refused, json_encode($refused, JSON_THROW_ON_ERROR));
        self::assertLessThan(12, \count($heard['timelines']), 'what goes on by itself is not told again and again');
        self::assertTrue(end($viewed['timelines'])['timelines'][0]['isPlaying'], 'a viewer stops nothing');
        self::assertNotSame([], array_column($viewed['answer'], 'error'));
    }

    public function testATakeIsRecordedByOrdersSeenWhileItRunsAndFetchedAsALine(): void
    {
        $live = Background::freePort();
        $document = [...EngineProcess::document('127.78.46'), ...Evening::show(), 'ports' => [],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 60]],
        ];
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        $arm = static fn(string $point, array $more = []): array => [
            'do' => 'record',
            'timeline' => 'song',
            'points' => [$point],
            ...$more,
        ];
        try {
            $first = (new LiveLink($live, Role::Builder, [
                ['do' => 'subscribe', 'topics' => ['recording']],
                $arm('value:gone'),
                $arm('fixture:a/level', ['from' => 5, 'to' => 2]),
                $arm('fixture:a/level', ['mode' => 'erase']),
                $arm('fixture:b/level'),
                ['do' => 'set', 'point' => 'fixture:a/level', 'value' => 40],
            ], 0.6))->heard();
            $second = (new LiveLink($live, Role::Builder, [
                ['do' => 'subscribe', 'topics' => ['recording']],
                ['do' => 'end-recording'],
                ['do' => 'recorded', 'tolerance' => 0.5],
                ['do' => 'end-recording', 'forgets' => true],
            ], 0.4))->heard();
            $viewer = (new LiveLink($live, Role::Viewer, [$arm('fixture:a/level')], 0.3))->heard();
        } finally {
            $engine->stop();
        }
        self::assertContains('running', array_column($first['recording'], 'state'));
        self::assertEquals([['point' => 'fixture:a/level', 'name' => 'A, level', 'isWritten' => true]], end($first['recording'])['points']);
        $refused = array_column($first['answer'], 'error');
        self::assertCount(3, $refused, json_encode($refused, JSON_THROW_ON_ERROR));
        self::assertStringContainsString('recorded already', $refused[2]);
        $fetched = array_values(array_filter($second['answer'], static fn(array $answer): bool => isset($answer['takes'])))[0];
        [$lane] = $fetched['takes'][0]['lanes'];
        self::assertEquals(['song', 'fixture:a/level'], [$fetched['timeline'], $lane['point']]);
        self::assertEqualsWithDelta(40.0, max(array_column($lane['knots'], 'value')), 0.3, json_encode($lane, JSON_THROW_ON_ERROR));
        self::assertGreaterThan(0.5, $lane['to'], 'also while no page was there');
        self::assertSame('off', end($second['recording'])['state']);
        self::assertNotSame([], array_column($viewer['answer'], 'error'), 'a viewer records nothing');
    }
}
