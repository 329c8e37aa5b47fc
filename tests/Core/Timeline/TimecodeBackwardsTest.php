<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\TimeCode;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\Tshark;
use PHPUnit\Framework\TestCase;

/**
 * Time code that runs backwards, faster or slower, as it arrives and as it leaves: the pieces of a time come from the last to the
 * first then (MIDI Time Code, MIDI Association, from memory); tshark reads what leaves.
 */
final class TimecodeBackwardsTest extends TestCase
{
    private const CABLE = 'midi cable lectern';

    public function testATimelineGoesBackWithTheTapeAndEveryLevelIsWhatItIsThere(): void
    {
        foreach (FrameRate::cases() as $rate) {
            $evening = self::evening();
            $tape = TimeCode::of($rate, 1, 0, 20, 0);
            $length = self::frame($rate);
            for ($frames = 0; $frames < 100; $frames += 2, $tape = $tape->plus(-2)) {
                $this->backwards($evening, $tape);
                if ($frames < 6) {
                    continue;
                }
                $at = ($tape->plus(-2)->toNanos() - TimeCode::of($rate, 1, 0, 0, 0)->toNanos()) / 1e9;
                self::assertEqualsWithDelta($at, $evening->read('timeline:song'), 1.2 * $length, $rate->spelled());
                self::assertEqualsWithDelta(255 * $evening->read('timeline:song') / 60, $evening->levels()[1], 1.5);
            }
            self::assertSame(
                [1, 0],
                [$evening->read('timecode:tape/running'), $evening->read('timeline:song/running')],
                "{$rate->spelled()}: it is led, and does not play",
            );
            self::assertSame(-1.0, $evening->read('timecode:tape/speed'));
            self::assertSame(4.0, $evening->read('value:mood'), 'the moment at 15 s has come; it is at 16 s now');
            $evening->rig->pass(2.0);
            $stands = $evening->read('timecode:tape');
            $evening->rig->pass(1.0);
            self::assertSame(
                [$stands, 0],
                [$evening->read('timecode:tape'), $evening->read('timecode:tape/running')],
                'it stops where it was lost',
            );
        }
    }

    public function testOurOwnLeavesBackwardsInPiecesFromTheLastToTheFirst(): void
    {
        foreach ([
            '24' => FrameRate::Film,
            '25' => FrameRate::Ebu,
            '29.97' => FrameRate::DropFrame,
            '30' => FrameRate::Smpte,
        ] as $word => $rate) {
            $evening = self::evening(['from' => [], 'rate' => (string) $word, 'sends' => ['lectern']]);
            // Across the minute whose first frames are dropped, and the tenth minute, whose are not.
            foreach (['01:01:01:00', '01:10:01:00', '00:00:01:00'] as $from) {
                $evening->press('timecode:tape/stop');
                $evening->set('timecode:tape', $from);
                $evening->set('timecode:tape/speed', -1);
                $began = $evening->rig->now;
                $evening->press('timecode:tape/start');
                $times = $bytes = [];
                $reader = new QuarterFrames();
                foreach ($evening->rig->pass(2.0) as [$at, $packet]) {
                    if ($packet->bytes[0] !== "\xF1") {
                        continue;
                    }
                    $bytes[] = $packet->bytes;
                    $pieces = ($at - $began) / self::frame($rate) * 4;
                    self::assertEqualsWithDelta(round($pieces), $pieces, 0.01, 'on the grid');
                    $time = $reader->push(\ord($packet->bytes[1]));
                    if ($time !== null) {
                        self::assertSame(-1, $time->direction);
                        $times[] = $time->stamp;
                        self::assertEqualsWithDelta(
                            $at - $began,
                            self::back($from, $time->stamp, $rate) + 7 / 4 * self::frame($rate),
                            0.002,
                            'a time is that of its first piece',
                        );
                    }
                }
                self::assertGreaterThan(18, \count($times), "{$word} from {$from}");
                foreach (\array_slice($times, 1) as $i => $time) {
                    self::assertSame($times[$i]->plus(-2)->spelled(), $time->spelled(), "{$word} from {$from}");
                }
                // The very first piece may have left as it was started.
                $kinds = array_map(
                    static fn(array $one): int => (int) hexdec(substr((string) $one['rtpmidi.mtc_quarter_frame_type'], 2)),
                    Tshark::timeCode(\array_slice($bytes, 0, 24)),
                );
                self::assertSame(array_map(static fn(int $place): int => ($kinds[0] - $place + 24) % 8, range(0, 23)), $kinds);
            }
        }
    }

    public function testForwardsItGoesOverMidnightWithoutAJumpAtEveryRate(): void
    {
        foreach ([
            '24' => FrameRate::Film,
            '25' => FrameRate::Ebu,
            '29.97' => FrameRate::DropFrame,
            '30' => FrameRate::Smpte,
        ] as $word => $rate) {
            $evening = self::evening(['from' => [], 'rate' => (string) $word, 'sends' => ['lectern']]);
            $evening->set('timecode:tape', '23:59:59:00');
            $evening->press('timecode:tape/start');
            $reader = new QuarterFrames();
            $stamps = [];
            foreach ($evening->rig->pass(2.5) as [, $packet]) {
                self::assertNotSame("\xF0", $packet->bytes[0], "{$word}: no jump");
                $time = $packet->bytes[0] === "\xF1" ? $reader->push(\ord($packet->bytes[1])) : null;
                $stamps = $time === null ? $stamps : [...$stamps, $time->stamp];
            }
            self::assertSame(0, end($stamps)->hours ?? -1);
            foreach (\array_slice($stamps, 1) as $i => $stamp) {
                self::assertSame(2, $stamps[$i]->framesUntil($stamp), "{$word}: {$stamp->spelled()}");
            }
        }
    }

    public function testItRunsFasterAndSlowerAndATimelineWithIt(): void
    {
        $evening = self::evening(['from' => [], 'rate' => '25', 'sends' => ['lectern']]);
        $evening->set('timecode:tape', '01:00:10:00');
        self::assertSame('', $evening->set('timecode:tape/speed', 0.5));
        foreach ([0, 5, -9, 'fast'] as $wrong) {
            self::assertStringContainsString('from 0.1 to 4', $evening->set('timecode:tape/speed', $wrong));
        }
        $evening->press('timecode:tape/start');
        $left = array_filter($evening->rig->pass(4.0), static fn(array $one): bool => $one[1]->bytes[0] === "\xF1");
        self::assertEqualsWithDelta([12.0, 0.5], [$evening->read('timeline:song'), $evening->read('timeline:song/rate')], 0.05);
        self::assertEqualsWithDelta(200, \count($left), 9, 'two seconds of pieces in four');
        $evening->set('timecode:tape/speed', 2);
        $evening->rig->pass(1.0);
        self::assertEqualsWithDelta(14.0, $evening->read('timeline:song'), 0.1);
        $again = $evening->restarted(1.0);
        self::assertEqualsWithDelta(16.0, $again->read('timeline:song'), 0.2, 'as fast over a restart');
        // Turned round it goes back from where it is.
        $evening->set('timecode:tape/speed', -2);
        $evening->rig->pass(1.0);
        self::assertEqualsWithDelta(12.0, $evening->read('timeline:song'), 0.15);
    }

    public function testATimeByOscThatGoesBackLeadsBack(): void
    {
        $evening = self::evening(['from' => ['tablet'], 'osc' => '/song/time']);
        for ($seconds = 3620.0; $seconds > 3618.0; $seconds -= 0.04) {
            $evening->rig->osc('/song/time', $seconds);
            $evening->rig->pass(0.04);
        }
        self::assertEqualsWithDelta(18.0, $evening->read('timeline:song'), 0.1);
        self::assertSame(-1.0, $evening->read('timecode:tape/speed'));
        $evening->rig->osc('/song/time', 3610.0);
        $evening->rig->pass(0.02);
        self::assertEqualsWithDelta(
            [10.0, 0],
            [$evening->read('timeline:song'), $evening->read('timecode:tape/running')],
            0.01,
            'so far back is a jump',
        );
    }

    public function testAStandingTimeCodeIsFollowedByEveryFrame(): void
    {
        $evening = self::evening(['from' => []]);
        foreach (['01:00:10:00' => 10.0, '01:00:10:01' => 10.04, '01:00:10:03' => 10.12, '01:00:10:02' => 10.08] as $time => $at) {
            $evening->set('timecode:tape', $time);
            self::assertEqualsWithDelta($at, $evening->read('timeline:song'), 0.001);
        }
    }

    /** @param array<string, mixed> $code */
    private static function evening(array $code = []): Evening
    {
        return new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 10]],
            'timecodes' => [['id' => 'tape', 'name' => 'Tape', 'from' => ['lectern'], 'lost' => 'frames', 'frames' => 10, ...$code]],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 120, 'timecode' => 'tape', 'startsAt' => '01:00:00:00', 'tracks' => [
                ['id' => 't', 'name' => 'T', 'does' => ['kind' => 'triggers', 'triggers' => [['id' => 'up', 'at' => 15, 'do' => [['kind' => 'set', 'point' => 'value:mood', 'value' => 4]]]]]],
                ['id' => 'l', 'name' => 'L', 'does' => ['kind' => 'levels', 'point' => 'fixture:b/level', 'knots' => [['at' => 0, 'value' => 0], ['at' => 60, 'value' => 100]]]],
            ]]],
        ]);
    }

    /** Eight pieces that say a time, from the last to the first, each a quarter frame after the one before. */
    private function backwards(Evening $evening, TimeCode $time): void
    {
        $nibbles = [
            $time->frames & 15, $time->frames >> 4, $time->seconds & 15, $time->seconds >> 4,
            $time->minutes & 15, $time->minutes >> 4, $time->hours & 15, $time->hours >> 4 | $time->rate->value << 1,
        ];
        for ($kind = 7; $kind >= 0; --$kind) {
            $evening->rig->arrive(self::CABLE, "\xF1".\chr($kind << 4 | $nibbles[$kind]), 'lectern');
            $evening->rig->pass(self::frame($time->rate) / 4);
        }
    }

    /** @return float seconds from one time back to another, over midnight */
    private static function back(string $from, TimeCode $to, FrameRate $rate): float
    {
        [$hours, $minutes, $seconds, $frames] = array_map(intval(...), explode(':', $from));
        return $to->framesUntil(TimeCode::of($rate, $hours, $minutes, $seconds, $frames)) * self::frame($rate);
    }

    private static function frame(FrameRate $rate): float
    {
        [$frames, $seconds] = $rate->exact();

        return $seconds / $frames;
    }
}
