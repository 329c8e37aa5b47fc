<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Timelines: what happens at moments, levels over time, and what becomes of both when somebody plays, pauses, jumps, loops or edits. */
final class TimelineTest extends TestCase
{
    public function testMomentsComeInTheirOrderEachOnceAndLevelsGoAlongTheirLines(): void
    {
        $evening = self::evening();
        self::assertSame('', $evening->press('timeline:song/play'));
        self::assertSame([1, 0.0], [$evening->read('timeline:song/running'), $evening->read('timeline:song')]);
        $evening->rig->pass(0.5);
        self::assertSame(0, $evening->levels()[0]);
        self::assertSame(['/one'], self::sent($evening->rig->pass(1.0)), 'at 1 s');
        self::assertSame(255, $evening->levels()[0]);
        self::assertEqualsWithDelta(50.0, $evening->read('fixture:b/level'), 1.2, 'half of the way from 1 to 2 s');
        self::assertSame(['/in-passing'], self::sent($evening->rig->pass(1.0)), 'at 2 s');
        self::assertSame(0, $evening->levels()[0]);
        $evening->rig->pass(3.0);
        self::assertSame(
            [0, 4.0, 0],
            [$evening->read('timeline:song/running'), $evening->read('timeline:song/position'), $evening->levels()[0]],
        );
        self::assertSame(100.0, (float) $evening->read('fixture:b/level'), 'levels stay where they are at its end');
        $evening->press('timeline:song/stop');
        self::assertSame([0, 0, 0.0], [$evening->levels()[1], $evening->levels()[0], $evening->read('timeline:song')]);
    }

    public function testAPauseStandsAndAJumpIsAsIfItHadBeenPlayed(): void
    {
        $evening = self::evening();
        $evening->press('timeline:song');
        $evening->rig->pass(1.5);
        $evening->press('timeline:song');
        $at = $evening->read('timeline:song');
        $level = $evening->read('fixture:b/level');
        $evening->rig->pass(2.0);
        self::assertSame([$at, $level], [$evening->read('timeline:song'), $evening->read('fixture:b/level')]);
        $evening->set('timeline:song', 3.0);
        self::assertSame([0, 255], \array_slice($evening->levels(), 0, 2), 'also while it stands');
        $evening->set('timeline:song', 0.25);
        self::assertSame([0, 0], \array_slice($evening->levels(), 0, 2), 'before all of it nothing is given');
        $evening->set('timeline:song', 1.25);
        self::assertSame(255, $evening->levels()[0]);
        self::assertEqualsWithDelta(25.0, $evening->read('fixture:b/level'), 0.3);
    }

    public function testMessagesAreNotSentInPassingUnlessTheySaySo(): void
    {
        $evening = self::evening();
        $jump = static fn(float $to): array => array_map(
            static fn(OutgoingPacket $one): array => [0.0, $one],
            $evening->rig->junction->set(Evening::point('timeline:song'), $to, new Act('person', 'Ada'), $evening->rig->nanos())[1],
        );
        self::assertSame(['/in-passing'], self::sent($jump(3.5)));
        self::assertSame([], self::sent($jump(0.0)), 'backwards nothing is passed');
        $evening->press('timeline:song/play');
        self::assertSame(['/one', '/in-passing'], self::sent($evening->rig->pass(4.0)));
    }

    public function testItLoopsAtAnyRateAndEveryMomentComesOnceARound(): void
    {
        $evening = self::evening(['loop' => true]);
        $evening->set('timeline:song/rate', 4.0);
        $evening->press('timeline:song/play');
        // 39.6 s of four each: nine rounds, and all but the end of the tenth.
        self::assertSame(['/in-passing' => 10, '/one' => 10], self::counted($evening->rig->pass(9.9)));
        self::assertEqualsWithDelta(3.6, $evening->read('timeline:song'), 0.1, 'a frame of it is four times as long');
        $evening->set('timeline:song/loop', 0);
        $evening->rig->pass(1.0);
        self::assertSame(0, $evening->read('timeline:song/running'));
        self::assertSame('', $evening->set('timeline:song/rate', 100));
        self::assertSame(4.0, $evening->read('timeline:song/rate'));
    }

    public function testItGoesByBeatsOfATempo(): void
    {
        $evening = self::evening(['unit' => 'beats'], ['tempos' => [['id' => 'music', 'name' => 'Music', 'start' => 120]]]);
        $evening->press('timeline:song/play');
        $evening->rig->pass(0.4);
        self::assertSame(0, $evening->levels()[0]);
        $evening->rig->pass(0.2);
        self::assertSame(255, $evening->levels()[0], 'the first beat of 120 a minute is after half a second');
        $evening->set('tempo:music', 60);
        $evening->rig->pass(0.7);
        self::assertSame(255, $evening->levels()[0]);
        $evening->rig->pass(0.2);
        self::assertSame(0, $evening->levels()[0]);
    }

    public function testOneOfAGroupPlaysAtATimeAndSectionsAndMarkersAreFound(): void
    {
        $evening = self::evening(['group' => 'songs'], ['timelines' => [
            self::song(['group' => 'songs']),
            ['id' => 'other', 'name' => 'Other', 'group' => 'songs', 'length' => 10],
        ]]);
        $evening->press('timeline:song/play');
        $evening->rig->pass(1.2);
        self::assertSame(['Verse', 255], [$evening->read('timeline:song/section'), $evening->levels()[0]]);
        $evening->press('timeline:other/play');
        self::assertSame(
            [0, 1, 0],
            [$evening->read('timeline:song/running'), $evening->read('timeline:other/running'), $evening->levels()[0]],
        );
        $evening->press('timeline:song/next');
        self::assertSame([1.0, 'Verse'], [$evening->read('timeline:song'), $evening->read('timeline:song/section')]);
        $evening->press('timeline:song/next');
        self::assertSame([3.0, 'End'], [$evening->read('timeline:song'), $evening->read('timeline:song/section')]);
        self::assertNotSame('', $evening->press('timeline:song/next'));
        $evening->press('timeline:song/previous');
        self::assertSame(1.0, $evening->read('timeline:song'));
    }

    public function testMutedTracksDoNothingAndSoloLeavesOthersOut(): void
    {
        foreach ([['muted', [0, 128]], ['solo', [255, 0]]] as [$flag, $levels]) {
            $song = self::song();
            $song['tracks'][0][$flag] = true;
            $evening = self::evening([], ['timelines' => [$song]]);
            $evening->press('timeline:song/play');
            $evening->rig->pass(1.5);
            self::assertEqualsWithDelta($levels, \array_slice($evening->levels(), 0, 2), 4, $flag);
        }
    }

    public function testAnEditWhileItPlaysMovesNothingThatItDoesNotChange(): void
    {
        $evening = self::evening();
        $evening->press('timeline:song/play');
        $evening->rig->pass(1.5);
        $song = self::song();
        $song['tracks'][0]['does']['triggers'][1]['at'] = 1.7;
        $song['tracks'][1]['does']['knots'][1]['value'] = 0;
        $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
        self::assertSame(255, $evening->levels()[0]);
        self::assertEqualsWithDelta(0.0, $evening->read('fixture:b/level'), 1.0, 'its line is another one');
        self::assertSame(['/in-passing'], self::sent($evening->rig->pass(0.3)), 'the moment that was moved has come');
        self::assertSame(0, $evening->levels()[0]);
        unset($song['tracks'][1]);
        $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
        $evening->rig->adopt([...Evening::show(), 'timelines' => []]);
        self::assertSame([0, 0], \array_slice($evening->levels(), 0, 2));
    }

    public function testAnEditInTheVeryMomentLosesNoTriggerAndDoesNoneTwice(): void
    {
        foreach ([0.995, 1.0, 1.003, 1.02] as $at) {
            $evening = self::evening();
            $evening->press('timeline:song/play');
            $sent = self::counted($evening->rig->pass(0.99));
            // Time has passed, and nobody was woken: the edit comes first.
            $evening->rig->now += $at - 0.99;
            $song = self::song(['note' => 'Edited']);
            $left = $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
            $packets = [...array_map(static fn(OutgoingPacket $one): array => [0.0, $one], $left), ...$evening->rig->pass(0.5)];
            self::assertSame(['/one' => 1], self::counted($packets), "an edit at {$at} s");
            self::assertSame([], $sent);
            self::assertSame(255, $evening->levels()[0]);
        }
    }

    public function testATrackThatIsMutedOrMovesAnotherPointWhileItPlaysLeavesNothingBehind(): void
    {
        $evening = self::evening();
        $evening->press('timeline:song/play');
        $evening->rig->pass(1.5);
        self::assertEqualsWithDelta([255, 128], \array_slice($evening->levels(), 0, 2), 5);
        $song = self::song();
        $song['tracks'][0]['muted'] = $song['tracks'][1]['muted'] = true;
        $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
        self::assertSame([0, 0], \array_slice($evening->levels(), 0, 2));
        $song['tracks'][1]['muted'] = false;
        $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
        self::assertEqualsWithDelta(128, $evening->levels()[1], 5);
        $song['tracks'][1]['does']['point'] = 'fixture:h/red';
        $evening->rig->adopt([...Evening::show(), 'timelines' => [$song]]);
        self::assertSame(0, $evening->levels()[1]);
        self::assertEqualsWithDelta(128, $evening->levels()[6], 5);
    }

    public function testWhatMovesATimelineItselfOrIsPressedIsNotDoneAgainByAJump(): void
    {
        $song = self::song();
        $song['tracks'][0]['does']['triggers'][] = [
            'id' => 'back',
            'at' => 0.5,
            'do' => [['kind' => 'set', 'point' => 'timeline:song', 'value' => 0.6]],
        ];
        $song['tracks'][0]['does']['triggers'][] = [
            'id' => 'go',
            'at' => 0.2,
            'do' => [['kind' => 'press', 'point' => 'tempo:beat/tap'], ['kind' => 'press', 'point' => 'route:bell']],
        ];
        $bell = [
            'id' => 'bell',
            'name' => 'Bell',
            'when' => ['kind' => 'pressed', 'point' => 'value:mood'],
            'do' => [['kind' => 'set', 'point' => 'value:mood', 'value' => 4]],
        ];
        $mood = ['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 10];
        $evening = self::evening(
            [],
            ['timelines' => [$song], 'tempos' => [['id' => 'beat', 'name' => 'Beat']], 'values' => [$mood], 'routes' => [$bell]],
        );
        $evening->set('timeline:song', 3.0);
        self::assertSame([3.0, 0.0], [$evening->read('timeline:song'), $evening->read('value:mood')]);
        $evening->set('timeline:song', 0.0);
        $evening->press('timeline:song/play');
        $evening->rig->pass(0.55);
        self::assertEqualsWithDelta(0.65, $evening->read('timeline:song'), 0.03);
        self::assertSame(4.0, $evening->read('value:mood'));
    }

    public function testItGoesOnAfterARestartWhereItWouldBe(): void
    {
        $evening = self::evening();
        $evening->press('timeline:song/play');
        $evening->rig->pass(0.5);
        $again = $evening->restarted(1.0);
        self::assertEqualsWithDelta(1.5, $again->read('timeline:song'), 0.05);
        self::assertSame([1, 255], [$again->read('timeline:song/running'), $again->levels()[0]]);
        self::assertEqualsWithDelta(50.0, $again->read('fixture:b/level'), 3.0);
        $again->rig->pass(0.6);
        self::assertSame(0, $again->levels()[0]);
    }

    public function testWhatIsWrongIsSaidWithItsPlace(): void
    {
        $song = self::song();
        foreach ([
            ['/timelines/0/tracks/1/does/point', ['tracks' => [1 => ['does' => ['point' => 'fixture:gone/level']]]]],
            ['/timelines/0/tracks/0/does/triggers/0/do/0/point', ['tracks' => [0 => ['does' => ['triggers' => [0 => ['do' => [['kind' => 'set', 'point' => 'look:gone']]]]]]]]],
            ['/timelines/0/tracks/0/does/triggers/1/id', ['tracks' => [0 => ['does' => ['triggers' => [1 => ['id' => 'up']]]]]]],
            ['/timelines/0/unit', ['unit' => 'beats']],
            ['/timelines/0/timecode', ['timecode' => 'gone']],
            ['/timelines/0/markers/1/at', ['markers' => [1 => ['at' => -1]]]],
            ['/timelines/0/tracks/1/does/knots/0/at', ['tracks' => [1 => ['does' => ['knots' => [0 => ['at' => 90000]]]]]]],
        ] as [$path, $changes]) {
            try {
                ShowReader::fromArray(self::document(array_replace_recursive($song, $changes)));
                self::fail($path);
            } catch (ShowRefused $refused) {
                self::assertStringContainsString($path, $refused->getMessage());
            }
        }
    }

    public function testASectionGoesRoundUntilItIsLetGoOverARestartToo(): void
    {
        $evening = self::evening();
        self::assertStringContainsString('no section', $evening->press('timeline:song/round'));
        $evening->set('timeline:song', 1.0);
        self::assertSame('', $evening->press('timeline:song/round'));
        $evening->press('timeline:song/play');
        // From 1 s to 3 s: seven rounds and a half, each with what stands at its beginning and in it.
        $counts = self::counted($evening->rig->pass(14.9));
        self::assertSame(['/in-passing' => 7, '/one' => 8], $counts);
        self::assertSame([1, 'Verse'], [$evening->read('timeline:song/round'), $evening->read('timeline:song/section')]);
        $again = $evening->restarted(20.0);
        self::assertEqualsWithDelta(
            (float) $evening->read('timeline:song'),
            (float) $again->read('timeline:song'),
            0.1,
            'ten rounds later',
        );
        self::assertSame(1, $again->read('timeline:song/round'));
        $evening->set('timeline:song/round', 0);
        $evening->rig->pass(3.0);
        self::assertSame(
            [0, 4.0],
            [$evening->read('timeline:song/running'), $evening->read('timeline:song')],
            'then it goes on to its end',
        );
        $evening->set('timeline:song', 3.5);
        $evening->press('timeline:song/round');
        $evening->set('timeline:song', 0.0);
        $evening->press('timeline:song/play');
        $evening->rig->pass(5.2);
        self::assertEqualsWithDelta(
            3.2,
            $evening->read('timeline:song'),
            0.1,
            'what stands before it is played once, then the last section goes round to the end of all',
        );
    }

    public function testATrackThatIsEarlyIsEarlyInAllThatItDoes(): void
    {
        $song = self::song();
        $song['tracks'][0]['early'] = 0.4;
        $song['tracks'][1]['early'] = -0.5;
        $evening = new Evening(['timelines' => [$song]]);
        $evening->press('timeline:song/play');
        self::assertSame([], self::sent($evening->rig->pass(0.55)));
        self::assertSame(['/one'], self::sent($evening->rig->pass(0.1)), 'at 0.6 s, and not at 1 s');
        $evening->rig->pass(1.35);
        self::assertEqualsWithDelta(50.0, $evening->read('fixture:b/level'), 2.0, 'half a second late');
        $evening->set('timeline:song', 0.7);
        self::assertSame(255, $evening->levels()[0], 'after a jump too');
    }

    /**
     * @param list<array{float, OutgoingPacket}> $packets
     *
     * @return list<string> addresses of OSC messages
     */
    private static function sent(array $packets): array
    {
        $osc = array_filter($packets, static fn(array $one): bool => str_starts_with($one[1]->bytes, '/'));

        return array_values(array_map(static fn(array $one): string => explode("\0", $one[1]->bytes)[0], $osc));
    }

    /**
     * @param list<array{float, OutgoingPacket}> $packets
     *
     * @return array<string, int> how often each was sent, by address
     */
    private static function counted(array $packets): array
    {
        $counts = array_count_values(self::sent($packets));
        ksort($counts);

        return $counts;
    }

    /**
     * @param array<string, mixed> $changes to the song
     * @param array<string, mixed> $show
     */
    private static function evening(array $changes = [], array $show = []): Evening
    {
        return new Evening(['timelines' => [self::song($changes)], ...$show]);
    }

    /**
     * @param array<string, mixed> $song
     *
     * @return array<string, mixed>
     */
    private static function document(array $song): array
    {
        return [...Rig::document(), ...Evening::show(), 'timelines' => [$song]];
    }

    /**
     * Four seconds: A at full from 1 s to 2 s, B from nothing to full in that time.
     *
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function song(array $changes = []): array
    {
        $send = static fn(string $address): array => [
            'kind' => 'send',
            'port' => 'tablet',
            'message' => ['kind' => 'osc', 'address' => $address],
        ];
        $set = static fn(int $value): array => ['kind' => 'set', 'point' => 'fixture:a/level', 'value' => $value];

        return [
            'id' => 'song', 'name' => 'Song', 'length' => 4,
            'tracks' => [
                ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => [
                    ['id' => 'up', 'at' => 1, 'name' => 'Up', 'do' => [$set(100), $send('/one')]],
                    ['id' => 'down', 'at' => 2, 'do' => [$set(0), $send('/in-passing')], 'isPassing' => true],
                ]]],
                ['id' => 'b', 'name' => 'B', 'does' => ['kind' => 'levels', 'point' => 'fixture:b/level', 'knots' => [
                    ['at' => 1, 'value' => 0], ['at' => 2, 'value' => 100],
                ]]],
            ],
            'markers' => [['id' => 'v', 'at' => 1, 'name' => 'Verse', 'isSection' => true], ['id' => 'e', 'at' => 3, 'name' => 'End', 'isSection' => true]],
            ...$changes,
        ];
    }
}
