<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Clips: a look, a wave or another timeline for a while, also where somebody jumps into the middle, pauses, or turns back. */
final class ClipTrackTest extends TestCase
{
    public function testALookIsThereForItsWhileAndFades(): void
    {
        $evening = self::evening([
            ['id' => 'a', 'at' => 1, 'long' => 2, 'plays' => 'look:warm'],
            ['id' => 'b', 'at' => 3, 'long' => 2, 'plays' => 'look:warm', 'fadeOut' => 1],
        ]);
        $evening->press('timeline:song/play');
        foreach ([[0.5, 0], [1.5, 255], [2.9, 255], [3.1, 255], [4.9, 255]] as [$at, $level]) {
            $evening->rig->pass($at - (float) $evening->read('timeline:song'));
            self::assertSame($level, $evening->levels()[0], "at {$at}");
        }
        $evening->rig->pass(0.6);
        self::assertEqualsWithDelta(127, $evening->levels()[0], 45, 'it fades out behind its end');
        $evening->rig->pass(0.7);
        self::assertSame(0, $evening->levels()[0]);
        $evening->set('timeline:song', 2.0);
        self::assertSame(255, $evening->levels()[0], 'in the middle of it');
        $evening->set('timeline:song', 0.2);
        self::assertSame(0, $evening->levels()[0], 'before it');
    }

    public function testAWaveRunsForItsWhile(): void
    {
        $evening = self::evening([['id' => 'a', 'at' => 1, 'long' => 2, 'plays' => 'wave:sway']]);
        $evening->press('timeline:song/play');
        $evening->rig->pass(1.5);
        self::assertSame(1, (int) $evening->read('wave:sway'));
        $evening->rig->pass(2.0);
        self::assertSame(0, (int) $evening->read('wave:sway'));
        $evening->set('timeline:song', 2.5);
        self::assertSame(1, (int) $evening->read('wave:sway'));
        $evening->press('timeline:song/stop');
        self::assertSame(0, (int) $evening->read('wave:sway'));
    }

    public function testAnotherTimelineGoesAlongFromWhereItIsSaidToBegin(): void
    {
        $evening = self::evening([['id' => 'a', 'at' => 2, 'long' => 6, 'plays' => 'timeline:chase', 'from' => 1, 'loops' => true]]);
        $evening->press('timeline:song/play');
        $evening->rig->pass(1.9);
        self::assertSame([0, 0.0], [$evening->read('timeline:chase/running'), $evening->read('timeline:chase')]);
        // It is four long: from 1 s on it comes to its end after three, and begins again.
        foreach ([[3.0, 2.0], [4.5, 3.5], [6.0, 1.0], [7.5, 2.5]] as [$at, $child]) {
            $evening->rig->pass($at - (float) $evening->read('timeline:song'));
            self::assertEqualsWithDelta($child, $evening->read('timeline:chase'), 0.1, "at {$at}");
            self::assertEqualsWithDelta(25.0 * $child, $evening->read('fixture:b/level'), 3.0);
        }
        $evening->set('timeline:song', 3.5);
        self::assertEqualsWithDelta(2.5, $evening->read('timeline:chase'), 0.01, 'a jump into the middle of it');
        $evening->press('timeline:song/pause');
        $evening->rig->pass(1.0);
        self::assertEqualsWithDelta(2.5, $evening->read('timeline:chase'), 0.03, 'it stands where the other one does');
        $evening->set('timeline:song/rate', 2);
        $evening->press('timeline:song/play');
        $evening->rig->pass(0.5);
        self::assertEqualsWithDelta(3.5, $evening->read('timeline:chase'), 0.1, 'and is as fast');
        $evening->rig->pass(3.0);
        self::assertSame(
            [0, 0.0, 0],
            [$evening->read('timeline:chase/running'), $evening->read('timeline:chase'), $evening->levels()[1]],
            'behind the clip it is gone, and what it gave too',
        );
        $evening->set('timeline:song', 4.0);
        self::assertGreaterThan(0, $evening->levels()[1]);
        $evening->press('timeline:song/stop');
        self::assertSame(0, $evening->levels()[1]);
    }

    public function testAClipThatEndsWhileTheEngineIsAwayIsOverAfterIt(): void
    {
        foreach ([1 => 1, 8 => 0] as $away => $isThere) {
            $evening = self::evening([['id' => 'a', 'at' => 1, 'long' => 4, 'plays' => 'timeline:chase']]);
            $evening->press('timeline:song/play');
            $evening->rig->pass(2.0);
            self::assertSame(1, $evening->read('timeline:chase/running'));
            $again = $evening->restarted((float) $away);
            $again->rig->pass(0.1);
            self::assertSame(
                [1, $isThere],
                [$again->read('timeline:song/running'), $again->read('timeline:chase/running')],
                "away for {$away} s",
            );
            self::assertSame($isThere === 1, $again->levels()[1] > 0);
        }
    }

    public function testWhatAPersonBroughtIsNotTakenByARestartThoughTheTimelineWillBringItLater(): void
    {
        $evening = self::evening([['id' => 'a', 'at' => 10, 'long' => 4, 'plays' => 'look:warm']]);
        $evening->press('timeline:song/play');
        $evening->set('look:warm', 100);
        $evening->rig->pass(1.0);
        $again = $evening->restarted();
        $again->rig->pass(0.1);
        self::assertSame([1, 255], [$again->read('look:warm/active'), $again->levels()[0]]);
    }

    public function testWhatCannotBeAClipIsRefused(): void
    {
        foreach ([
            ['look:gone', 'there is no point'],
            ['fixture:a/level', 'it is fixture:a/level'],
            ['timeline:song', 'it is this timeline'],
            ['timeline:round', 'it is this timeline'],
            ['timeline:beats', 'it goes by beats'],
        ] as [$plays, $words]) {
            try {
                ShowReader::fromArray([
                    ...Rig::document(),
                    ...self::show([['id' => 'a', 'at' => 1, 'plays' => $plays]]),
                    'tempos' => [['id' => 't', 'name' => 'T']],
                ]);
                self::fail($plays);
            } catch (ShowRefused $refused) {
                self::assertStringContainsString($words, $refused->getMessage());
            }
        }
    }

    /** @param list<array<string, mixed>> $clips */
    private static function evening(array $clips): Evening
    {
        $show = self::show($clips);
        $show['timelines'] = \array_slice($show['timelines'], 0, 2);

        return new Evening($show);
    }

    /**
     * @param list<array<string, mixed>> $clips
     *
     * @return array<string, mixed>
     */
    private static function show(array $clips): array
    {
        return [
            ...Evening::show(),
            'looks' => [['id' => 'warm', 'name' => 'Warm', 'values' => Evening::values(['fixture:a/level' => 100])]],
            'waves' => [['id' => 'sway', 'name' => 'Sway', 'size' => 20, 'rate' => 1, 'on' => [['point' => 'fixture:c/level']]]],
            'timelines' => [
                ['id' => 'song', 'name' => 'Song', 'length' => 20, 'tracks' => [['id' => 'clips', 'name' => 'Clips', 'does' => ['kind' => 'clips', 'clips' => $clips]]]],
                ['id' => 'chase', 'name' => 'Chase', 'length' => 4, 'tracks' => [['id' => 'b', 'name' => 'B', 'does' => ['kind' => 'levels', 'point' => 'fixture:b/level', 'knots' => [['at' => 0, 'value' => 0], ['at' => 4, 'value' => 100]]]]]],
                ['id' => 'round', 'name' => 'Round', 'tracks' => [['id' => 'c', 'name' => 'C', 'does' => ['kind' => 'clips', 'clips' => [['id' => 'a', 'at' => 0, 'plays' => 'timeline:song']]]]]],
                ['id' => 'beats', 'name' => 'Beats', 'unit' => 'beats', 'length' => 8],
            ],
        ];
    }
}
