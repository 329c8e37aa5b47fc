<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\TimeCode;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Time code that arrives, in quarter frames and as a jump, and timelines that follow it. */
final class TimecodeTest extends TestCase
{
    private const CABLE = 'midi cable lectern';

    private Evening $evening;

    /** Quarter frames that left since the tape began to run. */
    private int $pieces = 0;
    private ?TimeCode $tape = null;

    public function testATimelineFollowsFromTheFirstWholeTimeOnAndStaysWithinAFrame(): void
    {
        foreach (FrameRate::cases() as $rate) {
            $this->begin();
            $this->tapeAt(TimeCode::of($rate, 1, 0, 10, 0));
            $this->runs(0.5);
            self::assertSame(1, $this->evening->read('timeline:song/running'), $rate->spelled());
            $worst = 0.0;
            for ($i = 0; $i < 40; ++$i) {
                $this->runs(0.1);
                $worst = max(
                    $worst,
                    abs((float) $this->evening->read('timeline:song') - $this->tapeSeconds() + self::seconds(TimeCode::of(
                        $rate,
                        1,
                        0,
                        0,
                        0,
                    ))),
                );
            }
            self::assertLessThan(1 / 24, $worst, "{$rate->spelled()}: within a frame");
            self::assertContains(
                $this->evening->read('timecode:tape'),
                [$this->tape?->spelled(), $this->tape?->plus(-1)->spelled()],
                $rate->spelled(),
            );
        }
    }

    public function testItSettlesWithinTwoFramesOfTheFirstTimeThatIsWhole(): void
    {
        $this->begin();
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 2, 0));
        // Eight quarter frames are a time, and a second one says that it runs: four frames; then two to settle.
        $this->runs(6 / 25);
        self::assertEqualsWithDelta($this->tapeSeconds() - 3600.0, $this->evening->read('timeline:song'), 1 / 25);
    }

    public function testAJumpGoesThereAtOnceAndStandsUntilTheTapeRuns(): void
    {
        $this->begin();
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 0, 0));
        $this->runs(1.5);
        self::assertSame(0, $this->evening->levels()[0]);
        $this->full(TimeCode::of(FrameRate::Ebu, 1, 0, 20, 0));
        self::assertSame([20.0, 255], [$this->evening->read('timeline:song'), $this->evening->levels()[0]]);
        self::assertSame(0, $this->evening->read('timeline:song/running'));
        $this->full(TimeCode::of(FrameRate::Ebu, 1, 0, 4, 0));
        self::assertSame([4.0, 0], [$this->evening->read('timeline:song'), $this->evening->levels()[0]]);
        $this->full(TimeCode::of(FrameRate::Ebu, 0, 59, 0, 0));
        self::assertSame(
            [0.0, 0],
            [$this->evening->read('timeline:song'), $this->evening->read('timeline:song/running')],
            'before its beginning it is not there',
        );
    }

    public function testWhatHappensWhenItStopsIsASetting(): void
    {
        foreach ([['stop', 0, 0.0], ['frames', 25, 1.0], ['on', 0, 5.0]] as [$lost, $frames, $more]) {
            $this->begin(['lost' => $lost, ...($frames > 0 ? ['frames' => $frames] : [])]);
            $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 0, 0));
            $this->runs(2.0);
            $this->evening->rig->pass(5.0);
            self::assertEqualsWithDelta(2.0 + $more, $this->evening->read('timeline:song'), 0.1, $lost);
            self::assertSame((int) ($lost === 'on'), $this->evening->read('timeline:song/running'), $lost);
        }
    }

    public function testOfAGroupTheOneThatHasSomethingThereFollowsAndTheOtherIsLeftAlone(): void
    {
        $this->begin([], ['group' => 'songs', 'length' => 10]);
        $song = $this->evening->rig->document['timelines'][0];
        $this->evening->rig->adopt([...Evening::show(), 'ports' => [...Rig::document()['ports'], Rig::CABLE], 'timecodes' => [['id' => 'tape', 'name' => 'Tape', 'from' => ['lectern']]], 'timelines' => [
            $song, ['id' => 'second', 'name' => 'Second', 'tracks' => []] + ['startsAt' => '01:00:05:00'] + $song,
        ]]);
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 6, 0));
        $this->runs(2.0);
        self::assertSame([1, 0], [$this->evening->read('timeline:song/running'), $this->evening->read('timeline:second/running')]);
        $this->runs(4.0);
        self::assertSame([0, 1], [$this->evening->read('timeline:song/running'), $this->evening->read('timeline:second/running')]);
        self::assertEqualsWithDelta(7.0, $this->evening->read('timeline:second'), 0.1);
    }

    public function testItGoesOverMidnight(): void
    {
        $this->begin([], ['startsAt' => '23:59:58:00']);
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 23, 59, 59, 0));
        $this->runs(6.0);
        self::assertEqualsWithDelta(7.0, $this->evening->read('timeline:song'), 0.05);
        self::assertSame('00:00:05:00', $this->evening->read('timecode:tape'));
    }

    public function testNoMomentComesTwiceWhenTheTapeIsALittleLateOrEarly(): void
    {
        $this->begin([], ['tracks' => [['id' => 't', 'name' => 'T', 'does' => ['kind' => 'triggers', 'triggers' => array_map(
            static fn(int $i): array => [
                'id' => "t{$i}",
                'at' => $i / 10,
                'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => "/t{$i}"]]],
            ],
            range(10, 90),
        )]]]]);
        mt_srand(5);
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 0, 0));
        $sent = [];
        for ($i = 0; $i < 900; ++$i) {
            array_push($sent, ...$this->piece(mt_rand(0, 8) / 1000));
        }
        $addresses = array_values(array_filter(
            array_map(static fn(string $bytes): string => explode("\0", $bytes)[0], $sent),
            static fn(string $one): bool => str_starts_with($one, '/t'),
        ));
        self::assertSame(
            array_map(static fn(int $i): string => "/t{$i}", range(10, (int) floor(10 * $this->evening->read('timeline:song')))),
            $addresses,
        );
    }

    public function testTheBestSourceThatIsAliveLeadsAndTheOffsetIsAdded(): void
    {
        $this->begin(['from' => ['house', 'lectern'], 'offset' => 10]);
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 0, 0));
        $this->runs(1.0);
        self::assertEqualsWithDelta(11.0, $this->evening->read('timeline:song'), 0.1);
        // Art-Net 4, "ArtTimeCode" (from memory): opcode 9700, protocol version 14, two spare bytes, frames, seconds, minutes, hours, type.
        $artNet = static fn(int $frame): string => "Art-Net\0\x00\x97\x00\x0E\x00\x00".\chr($frame).\chr(30)."\x00\x01\x01";
        for ($i = 0; $i < 10; ++$i) {
            $this->evening->rig->arrive(Rig::ART_NET, $artNet($i), '127.0.0.11');
            $this->runs(0.04);
        }
        self::assertEqualsWithDelta(40.4, $this->evening->read('timeline:song'), 0.1);
        $this->runs(1.0);
        self::assertEqualsWithDelta(12.4, $this->evening->read('timeline:song'), 0.2, 'the desk is silent: the tape leads again');
    }

    public function testOurOwnRunsFromWhereItIsPutAndLeavesInQuarterFramesOnTheirGrid(): void
    {
        foreach ([
            '24' => FrameRate::Film,
            '25' => FrameRate::Ebu,
            '29.97' => FrameRate::DropFrame,
            '30' => FrameRate::Smpte,
        ] as $word => $rate) {
            $this->begin(['from' => [], 'rate' => (string) $word, 'sends' => ['lectern']]);
            self::assertSame('', $this->evening->set('timecode:tape', '01:00:58:00'));
            self::assertNotSame('', $this->evening->set('timecode:tape', 'soon'));
            self::assertSame('', $this->evening->press('timecode:tape/start'));
            $began = $this->evening->rig->now;
            $times = [];
            $reader = new QuarterFrames();
            [$frames, $seconds] = $rate->exact();
            $count = 0;
            foreach ($this->evening->rig->pass(4.0) as [$at, $packet]) {
                if ($packet->bytes[0] !== "\xF1") {
                    continue;
                }
                $time = $reader->push(\ord($packet->bytes[1]));
                self::assertEqualsWithDelta(
                    round(($at - $began) * 4 * $frames / $seconds) * $seconds / $frames / 4,
                    $at - $began,
                    1e-6,
                    'on the grid',
                );
                ++$count;
                if ($time !== null) {
                    $times[] = $time->stamp->spelled();
                }
            }
            self::assertEqualsWithDelta(4 * 4 * $frames / $seconds, $count, 9);
            $expected = [];
            // Each time is the one of two frames later; the first of them is at the first whole eight pieces.
            for ($time = TimeCode::of($rate, 1, 0, 58, 0), $n = 0; $n < \count($times); ++$n) {
                $expected[] = $n === 0 ? $times[0] : $time->spelled();
                $time = ($n === 0 ? self::parsed($times[0], $rate) : $time)->plus(2);
            }
            self::assertSame($expected, $times, (string) $word);
            self::assertEqualsWithDelta(
                62.0,
                $this->evening->read('timeline:song'),
                $rate === FrameRate::DropFrame ? 0.2 : 0.05,
                'the timeline follows it: from 58 s on',
            );
            self::assertSame('', $this->evening->press('timecode:tape/stop'));
            $stands = $this->evening->read('timecode:tape');
            $this->evening->rig->pass(1.0);
            self::assertSame([$stands, 0], [$this->evening->read('timecode:tape'), $this->evening->read('timeline:song/running')]);
        }
    }

    public function testWhatArrivesIsPassedOnAtAnotherRateAndAHandWaitsWhileAPortLeads(): void
    {
        $this->begin(['rate' => '30', 'sends' => ['lectern']]);
        $this->tapeAt(TimeCode::of(FrameRate::Ebu, 1, 0, 10, 0));
        $reader = new QuarterFrames();
        $times = [];
        for ($i = 0; $i < 300; ++$i) {
            foreach ($this->piece(0.0) as $bytes) {
                $time = $bytes[0] === "\xF1" ? $reader->push(\ord($bytes[1])) : null;
                $times = $time === null ? $times : [...$times, $time->now];
            }
        }
        $last = end($times);
        self::assertGreaterThan(30, \count($times));
        self::assertSame(FrameRate::Smpte, $last === false ? null : $last->rate);
        self::assertEqualsWithDelta($this->tapeSeconds(), $last === false ? 0.0 : self::seconds($last), 0.1);
        self::assertSame('a port leads it now', $this->evening->press('timecode:tape/stop'));
    }

    /**
     * @param array<string, mixed> $code
     * @param array<string, mixed> $song
     */
    private function begin(array $code = [], array $song = []): void
    {
        $this->pieces = 0;
        $this->evening = new Evening([
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'timecodes' => [['id' => 'tape', 'name' => 'Tape', 'from' => ['lectern'], ...$code]],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'length' => 120, 'timecode' => 'tape', 'startsAt' => '01:00:00:00', 'tracks' => [
                ['id' => 't', 'name' => 'T', 'does' => ['kind' => 'triggers', 'triggers' => [
                    ['id' => 'up', 'at' => 5, 'do' => [['kind' => 'set', 'point' => 'fixture:a/level', 'value' => 100]]],
                ]]],
            ], ...$song]],
        ]);
    }

    private function tapeAt(TimeCode $time): void
    {
        $this->tape = $time;
        $this->pieces = 0;
    }

    /** The tape runs for so long: quarter frames leave on their grid, by the MIDI 1.0 Detailed Specification, "MIDI Time Code" (from memory). */
    private function runs(float $seconds): void
    {
        $count = (int) round($seconds * 4 * $this->perSecond());
        for ($i = 0; $i < $count; ++$i) {
            $this->piece(0.0);
        }
    }

    /**
     * @param float $late how much later than it should be it arrives, in seconds
     *
     * @return list<string> bytes of what left
     */
    private function piece(float $late): array
    {
        $kind = $this->pieces % 8;
        $tape = $this->tape ?? throw new \LogicException('The tape is nowhere.');
        // All eight say the time of the first of them.
        $time = $tape->plus(-intdiv($kind, 4));
        $rate = $time->rate->value;
        $nibble = [
            $time->frames & 15, $time->frames >> 4, $time->seconds & 15, $time->seconds >> 4,
            $time->minutes & 15, $time->minutes >> 4, $time->hours & 15, $time->hours >> 4 | $rate << 1,
        ][$kind];
        $rig = $this->evening->rig;
        $left = array_map(static fn(array $one): string => $one[1]->bytes, $rig->pass($late));
        array_push(
            $left,
            ...array_map(
                static fn($packet): string => $packet->bytes,
                $rig->arrive(self::CABLE, "\xF1".\chr($kind << 4 | $nibble), 'lectern'),
            ),
        );
        array_push($left, ...array_map(static fn(array $one): string => $one[1]->bytes, $rig->pass(1 / (4 * $this->perSecond()) - $late)));
        ++$this->pieces;
        if ($this->pieces % 4 === 0) {
            $this->tape = $tape->plus(1);
        }

        return $left;
    }

    private function full(TimeCode $time): void
    {
        $this->evening->rig->arrive(self::CABLE, (new FullFrame($time))->message()->encode(), 'lectern');
        $this->evening->rig->pass(0.0);
    }

    private function perSecond(): float
    {
        [$frames, $seconds] = $this->tape?->rate->exact() ?? [25, 1];

        return $frames / $seconds;
    }

    private function tapeSeconds(): float
    {
        return ($this->tape === null ? 0.0 : self::seconds($this->tape)) + $this->pieces % 4 / 4 / $this->perSecond();
    }

    private static function parsed(string $text, FrameRate $rate): TimeCode
    {
        return TimeCode::of($rate, ...array_map(intval(...), preg_split('/[:;]/', $text) ?: []));
    }

    private static function seconds(TimeCode $time): float
    {
        return $time->toNanos() / 1e9;
    }
}
