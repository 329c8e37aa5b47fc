<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Furnishing\MidiExport;
use NimbleJunction\Core\Furnishing\MidiSource;
use NimbleJunction\Core\Furnishing\MidiTracks;
use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\ShowWording;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\NodeOracle;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Controllers of MIDI ports as points: set by people and by lines, and as MIDI files, crossed with midi-file and @tonejs/midi. */
final class MidiControlsTest extends TestCase
{
    public function testAControllerIsNamedByItsChannelAndItsNumber(): void
    {
        foreach (['1/7', '16/0', '16/127', '9/bend', '2/pressure'] as $part) {
            self::assertSame($part, MidiControl::parse($part)?->part());
        }
        foreach (['0/7', '17/7', '1/128', '1/07', '1', '1/7/3', 'bend', '1/program', ''] as $part) {
            self::assertNull(MidiControl::parse($part), $part);
        }
        // MIDI 1.0 Detailed Specification, table 1 (from memory): status, then seven bits a byte, of a bend the low ones first.
        $bytes = static fn(string $part, float $value): string => bin2hex(MidiControl::parse($part)?->message($value)->encode() ?? '');
        self::assertSame(
            ['b20764', 'd17f', 'e80040', 'ef7f7f', 'b00000'],
            [$bytes('3/7', 100.4), $bytes('2/pressure', 400), $bytes('9/bend', 8192), $bytes('16/bend', 1e9), $bytes('1/0', -3)],
        );
        foreach (['b20764' => 100, 'd17f' => 127, 'e80040' => 8192] as $hex => $value) {
            self::assertSame($value, MidiControl::heard((string) hex2bin($hex))[1] ?? null);
        }
        self::assertNull(MidiControl::heard("\x90\x3c\x40"));
    }

    public function testAPersonSetsItAndItIsSentAndKnown(): void
    {
        $evening = self::evening([]);
        $point = Evening::point('midi:lectern/3/7');
        self::assertNull($evening->read('midi:lectern/3/7'));
        [$why, $packets] = $evening->rig->junction->set($point, 64, new Act('person', 'Ada'), $evening->rig->nanos());
        self::assertSame(['', ['b2 07 40'], 64], [$why, self::midi($packets), $evening->read('midi:lectern/3/7')]);
        self::assertSame(
            ['b2 07 40'],
            self::midi($evening->rig->junction->set($point, 64, new Act('person', 'Ada'), $evening->rig->nanos())[1]),
            'said again where it is set again',
        );
        self::assertSame('there is no such MIDI port that sends', $evening->set('midi:tablet/3/7', 1));
        self::assertStringContainsString('a number from 0 to 127', $evening->set('midi:lectern/3/7', 'loud'));
        $found = $evening->rig->junction->points()->find('midi:lectern/5/90', 5);
        self::assertSame([127.0, 'Lectern, controller 90 on channel 5'], [$found[0]->high, $found[0]->name]);
        self::assertContains(
            'midi:lectern/2/7',
            array_map(static fn($one): string => $one->reference->text(), $evening->rig->junction->points()->find('lectern volume', 50)),
        );
        self::assertSame(
            'Lectern, controller 7 (volume) on channel 3',
            (new ShowWording(ShowReader::fromArray($evening->rig->document)))->point('midi:lectern/3/7'),
        );
    }

    public function testALineIsSentAsItBecomesAnotherValueAndAfterAJumpAsItStandsThere(): void
    {
        $evening = self::evening([['at' => 0, 'value' => 0], ['at' => 1, 'value' => 10], ['at' => 5, 'value' => 10]]);
        $evening->press('timeline:song/play');
        $sent = self::midi(array_column($evening->rig->pass(1.5), 1));
        self::assertSame(
            ['01', '02', '03', '04', '05', '06', '07', '08', '09', '0a'],
            array_map(static fn(string $one): string => substr($one, 6), $sent),
            'each once; the first left as it began',
        );
        self::assertSame([], self::midi(array_column($evening->rig->pass(2.0), 1)), 'what stands is not said again');
        [, $packets] = $evening->rig->junction->set(Evening::point('timeline:song'), 0.5, new Act('person', 'Ada'), $evening->rig->nanos());
        self::assertSame(['b2 07 05'], self::midi($packets));
        $evening->rig->adopt([...$evening->rig->document, 'ports' => Rig::document()['ports'], 'timelines' => []]);
        self::assertNull($evening->read('midi:lectern/3/7'), 'a port that is gone is forgotten');
    }

    public function testControllersOfAFileBecomeLevelsThatStandUntilTheNext(): void
    {
        $events = [
            ['deltaTime' => 0, 'type' => 'trackName', 'text' => 'Keys'],
            ['deltaTime' => 0, 'type' => 'controller', 'channel' => 2, 'controllerType' => 7, 'value' => 100],
            ['deltaTime' => 480, 'type' => 'controller', 'channel' => 2, 'controllerType' => 7, 'value' => 100],
            ['deltaTime' => 0, 'type' => 'pitchBend', 'channel' => 2, 'value' => 1000],
            ['deltaTime' => 480, 'type' => 'controller', 'channel' => 2, 'controllerType' => 7, 'value' => 20],
            ['deltaTime' => 0, 'type' => 'endOfTrack'],
        ];
        [$made] = NodeOracle::ask([[
            'ask' => 'midi-file write',
            'file' => ['header' => ['format' => 0, 'numTracks' => 1, 'ticksPerBeat' => 480], 'tracks' => [$events]],
        ]]);
        $show = self::show([]);
        $tracks = (new MidiTracks(new MidiSource((string) hex2bin($made['bytes']), false), $show))->controls('lectern');
        self::assertSame(['Keys, controller 7 (volume) on channel 3', 'Keys, pitch bend on channel 3'], array_column($tracks, 'name'));
        self::assertSame(
            ['kind' => 'levels', 'point' => 'midi:lectern/3/7', 'knots' => [['at' => 0.0, 'value' => 100, 'to' => 'step'], ['at' => 1.0, 'value' => 20, 'to' => 'step']]],
            $tracks[0]['does'],
        );
        // midi-file counts a bend from the middle, which is 8192.
        self::assertSame([['at' => 0.5, 'value' => 9192, 'to' => 'step']], $tracks[1]['does']['knots']);
        $many = array_fill(0, 20_001, ['deltaTime' => 1, 'type' => 'controller', 'channel' => 0, 'controllerType' => 1, 'value' => 0]);
        foreach (array_keys($many) as $i) {
            $many[$i]['value'] = $i % 2;
        }
        [$long] = NodeOracle::ask([[
            'ask' => 'midi-file write',
            'file' => ['header' => ['format' => 0, 'numTracks' => 1, 'ticksPerBeat' => 480], 'tracks' => [[...$many, ['deltaTime' => 0, 'type' => 'endOfTrack']]]],
        ]]);
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('a controller of it has 20001 values');
        (new MidiTracks(new MidiSource((string) hex2bin($long['bytes']), false), $show))->controls('lectern');
    }

    public function testALineOfAControllerGoesOutAndComesInWithinAStep(): void
    {
        $show = self::show([
            ['at' => 0, 'value' => 0],
            ['at' => 2, 'value' => 127, 'to' => 'smooth'],
            ['at' => 3, 'value' => 40, 'to' => 'step'],
            ['at' => 4, 'value' => 90],
        ]);
        $bytes = (new MidiExport($show, $show->timelines['song']))->bytes();
        [$read] = NodeOracle::ask([['ask' => 'tonejs read', 'bytes' => bin2hex($bytes)]]);
        $line = $show->timelines['song']->tracks[0]->does->line;
        self::assertGreaterThan(100, \count($read['controls']));
        foreach ($read['controls'] as [$number, $value, $time]) {
            self::assertSame(7, $number);
            // A value leaves when a line is looked at next: a 44th of a second later it may be 6 more.
            self::assertEqualsWithDelta($line->at($time), $value, 1.0, "at {$time}");
        }
        self::assertSame([40, 90], \array_slice(array_column($read['controls'], 1), -2));
        $again = (new MidiTracks(new MidiSource($bytes, false), $show))->controls('lectern');
        self::assertSame(array_column($read['controls'], 1), array_column($again[0]['does']['knots'], 'value'));
    }

    /** @param list<array<string, mixed>> $knots */
    private static function evening(array $knots): Evening
    {
        return new Evening(self::changes($knots));
    }

    /** @param list<array<string, mixed>> $knots */
    private static function show(array $knots): \NimbleJunction\Core\Show\Show
    {
        return ShowReader::fromArray([...Rig::document(), ...Evening::show(), ...self::changes($knots)]);
    }

    /**
     * @param list<array<string, mixed>> $knots
     *
     * @return array<string, mixed>
     */
    private static function changes(array $knots): array
    {
        return [
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'tracks' => [['id' => 'swell', 'name' => 'Swell', 'does' => ['kind' => 'levels', 'point' => 'midi:lectern/3/7', 'knots' => $knots]]]]],
        ];
    }

    /**
     * @param list<OutgoingPacket> $packets
     *
     * @return list<string> of the cable, in hexadecimal
     */
    private static function midi(array $packets): array
    {
        $ours = array_filter($packets, static fn(OutgoingPacket $one): bool => $one->portId === 'lectern');

        return array_values(array_map(static fn(OutgoingPacket $one): string => trim(chunk_split(bin2hex($one->bytes), 2, ' ')), $ours));
    }
}
