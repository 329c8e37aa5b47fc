<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Furnishing\MidiExport;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTempo;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Timeline\MapPace;
use NimbleJunction\Core\Timeline\TempoChange;
use NimbleJunction\Core\Timeline\TempoMap;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Tempos that change: where beats are, how a timeline goes by them, and as MIDI files, which the npm library @tonejs/midi reads too. */
final class TempoMapTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testBeatsAndSecondsOfAMapCountedByHand(): void
    {
        // Four beats at 60 take four seconds, then four at 120 take two.
        $map = new TempoMap([new TempoChange(4.0, 120.0), new TempoChange(0.0, 60.0)], true);
        self::assertSame([0.0, 2.0, 4.0, 5.0, 6.0, 8.0], array_map($map->secondsAt(...), [0.0, 2.0, 4.0, 6.0, 8.0, 12.0]));
        self::assertSame([0.0, 4.0, 6.0], array_map($map->beatAt(...), [0.0, 4.0, 5.0]));
        // By seconds, the first beat is where the first tempo begins; before it beats are counted back.
        $song = new TempoMap([new TempoChange(7.0, 120.0), new TempoChange(9.0, 60.0)], false);
        self::assertSame([-2.0, 0.0, 2.0, 4.0, 5.0], array_map($song->beatAt(...), [6.0, 7.0, 8.0, 9.0, 10.0]));
        self::assertSame([6.0, 8.0, 10.0], array_map($song->secondsAt(...), [-2.0, 2.0, 5.0]));
    }

    public function testRandomMapsLeadThereAndBackAndAPaceComesWhereItSays(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 60; ++$round) {
            $changes = [];
            for ($at = mt_rand(0, 5), $i = mt_rand(1, 40); $i > 0; --$i, $at += mt_rand(1, 3000) / 100) {
                $changes[] = new TempoChange((float) $at, mt_rand(400, 30_000) / 100);
            }
            shuffle($changes);
            $map = new TempoMap($changes, $round % 2 === 0);
            $pace = new MapPace($map);
            $pace->place($begins = mt_rand(0, 1000) / 10, self::SECOND);
            $pace->run($rate = mt_rand(1, 40) / 10, self::SECOND);
            for ($i = 0; $i < 30; ++$i) {
                $to = $begins + mt_rand(0, 60_000) / 100;
                self::assertEqualsWithDelta($to, $map->beatAt($map->secondsAt($to)), 1e-6);
                $when = $pace->when($to);
                self::assertEqualsWithDelta($to, $pace->at($when), 1e-6);
                self::assertEqualsWithDelta($when - self::SECOND, $pace->nanos($begins, $to), 2.0);
                self::assertEqualsWithDelta($to, $pace->later($begins, $when - self::SECOND), 1e-6);
                self::assertEqualsWithDelta(($map->secondsAt($to) - $map->secondsAt($begins)) / $rate, ($when - self::SECOND) / 1e9, 1e-6);
            }
        }
    }

    public function testATimelineGoesByItsOwnMapWhateverTheTempoOfTheShowIs(): void
    {
        $marks = [
            ['id' => 'a', 'at' => 4, 'do' => [['kind' => 'set', 'point' => 'value:mood', 'value' => 1]]],
            ['id' => 'b', 'at' => 8, 'do' => [['kind' => 'set', 'point' => 'value:mood', 'value' => 2]]],
        ];
        $song = ['id' => 'song', 'name' => 'Song', 'unit' => 'beats', 'length' => 12, 'changes' => [['at' => 0, 'bpm' => 60], ['at' => 4, 'bpm' => 120]], 'tracks' => [
            ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => $marks]],
        ]];
        $show = ['values' => [['id' => 'mood', 'name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 10]], 'timelines' => [$song]];
        $evening = new Evening($show);
        $evening->press('timeline:song/play');
        $seen = [];
        foreach ([3.99, 0.02, 1.98, 0.02] as $seconds) {
            $evening->rig->pass($seconds);
            $seen[] = $evening->read('value:mood');
        }
        self::assertSame([0.0, 1.0, 1.0, 2.0], $seen);
        // It is faster from here on; where it is stays, and it goes on by the map of now.
        $song['changes'] = [['at' => 0, 'bpm' => 240]];
        $evening->rig->adopt([...Evening::show(), ...$show, 'timelines' => [$song]]);
        self::assertEqualsWithDelta(8.02, $evening->read('timeline:song'), 0.06);
        $evening->rig->pass(0.5);
        self::assertEqualsWithDelta(10.02, $evening->read('timeline:song'), 0.1);
        // After a restart it is where it would be: the last second of it takes two beats at 120.
        $again = $evening->restarted(0.25);
        self::assertEqualsWithDelta(11.1, $again->read('timeline:song'), 0.15);
    }

    public function testAnotherChangeAtThePlaceOfOneIsRefused(): void
    {
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('/timelines/0/changes/1/at: there is another change at 4');
        self::timeline([['at' => 4, 'bpm' => 90], ['at' => 4, 'bpm' => 100]], 'seconds');
    }

    public function testTempoAndBarsOfAFileComeInAndGoOutAndOthersReadThemTheSame(): void
    {
        // 120 in 4/4, from the third bar on 7/8, from a beat later 90: ticks of a 480th.
        $file = (new File(1, Division::perQuarter(480), [new Track([
            Event::tempo(0, 500_000),
            Event::meta(3840, Event::TIME_SIGNATURE, "\x07\x03\x18\x08"),
            Event::tempo(480, 666_667),
            Event::meta(0, Event::END_OF_TRACK),
        ])]))->encode();
        self::assertSame(
            [['at' => 0.0, 'bpm' => 120.0, 'bar' => 4.0], ['at' => 4.0, 'bpm' => 120.0, 'bar' => 3.5], ['at' => 4.5, 'bpm' => 89.999955, 'bar' => 3.5]],
            (new MidiTempo(new MidiSource($file, false)))->changes(),
        );
        $beats = (new MidiTempo(new MidiSource($file, true)))->changes();
        self::assertSame([0.0, 8.0, 9.0], array_column($beats, 'at'));
        $read = [];
        foreach (['seconds' => (new MidiTempo(new MidiSource($file, false)))->changes(), 'beats' => $beats] as $unit => $changes) {
            [$show, $timeline] = self::timeline($changes, $unit);
            $out = (new MidiExport($show, $timeline))->bytes();
            self::assertEqualsWithDelta($changes, (new MidiTempo(new MidiSource($out, $unit === 'beats')))->changes(), 0.0005, $unit);
            $read[] = ['ask' => 'tonejs read', 'bytes' => bin2hex($out)];
        }
        foreach (NodeOracle::ask($read) as $one) {
            self::assertEqualsWithDelta([120, 89.999955], array_column($one['tempos'], 'bpm'), 0.0005);
            self::assertEqualsWithDelta([0, 8640], array_column($one['tempos'], 'ticks'), 1.0);
            self::assertSame([[4, 4], [7, 8]], array_column($one['signatures'], 'timeSignature'));
        }
        $frames = new File(1, Division::perFrame(25, 40), [new Track([Event::tempo(0, 400_000), Event::meta(0, Event::END_OF_TRACK)])]);
        self::assertSame([], (new MidiTempo(new MidiSource($frames->encode(), false)))->changes(), 'frames know no beats');
    }

    /**
     * @param list<array<string, mixed>> $changes
     *
     * @return array{\NimbleJunction\Core\Show\Show, Timeline}
     */
    private static function timeline(array $changes, string $unit): array
    {
        $show = ShowReader::fromArray([
            ...Rig::document(),
            ...Evening::show(),
            'timelines' => [['id' => 'song', 'name' => 'Song', 'unit' => $unit, 'changes' => $changes]],
        ]);

        return [$show, $show->timelines['song']];
    }
}
