<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Wire\MidiFile\Division;
use NimbleJunction\Core\Wire\MidiFile\Event;
use NimbleJunction\Core\Wire\MidiFile\EventKind;
use NimbleJunction\Core\Wire\MidiFile\File;
use NimbleJunction\Core\Wire\MidiFile\Track;
use NimbleJunction\Core\Wire\VariableLength;
use NimbleJunction\Tests\Support\NodeOracle;
use PHPUnit\Framework\TestCase;

/** Our MIDI files against the standard's own example and the npm libraries midi-file and @tonejs/midi. */
final class MidiFileOracleTest extends TestCase
{
    /** Standard MIDI Files 1.0, "Program Fragments and Example MIDI Files", format 0 (from memory). It uses running status. */
    private const EXAMPLE = '4d546864000000060000000100604d54726b0000003b'
        .'00ff58040402180800ff510307a12000c00500c12e00c24600923060003c60609143406090 4c20814082304000 3c40008143400080 4c4000ff2f00';

    /** Standard MIDI Files 1.0, table of variable-length quantities (from memory). */
    public function testNumbersOfVariableLength(): void
    {
        foreach ([
            0x00 => '00',
            0x40 => '40',
            0x7F => '7f',
            0x80 => '8100',
            0x2000 => 'c000',
            0x3FFF => 'ff7f',
            0x4000 => '818000',
            0x100000 => 'c08000',
            0x1FFFFF => 'ffff7f', 0x200000 => '81808000', 0x8000000 => 'c0808000', 0xFFFFFFF => 'ffffff7f',
        ] as $number => $hex) {
            self::assertSame($hex, bin2hex(VariableLength::write($number)));
            $offset = 0;
            self::assertSame($number, VariableLength::read((string) hex2bin($hex), $offset, 4, ''));
            self::assertSame(\strlen($hex) / 2, $offset);
        }
    }

    public function testTheStandardsExampleIsReadAndWrittenAgain(): void
    {
        $bytes = (string) hex2bin(str_replace(' ', '', self::EXAMPLE));
        $file = File::decode($bytes);
        self::assertSame([0, 96, 1], [$file->format, $file->division->ticks, \count($file->tracks)]);
        $events = $file->tracks[0]->events;
        self::assertSame('923c60', bin2hex($events[6]->bytes), 'running status is filled in');
        self::assertSame(500000, $events[1]->tempoMicros());
        self::assertSame(192, $events[9]->delta);
        $ticks = array_sum(array_map(static fn(Event $event): int => $event->delta, $events));
        self::assertSame(2_000_000_000, $file->tempoMap()->nanosAt($ticks), 'four quarter notes at 120 a minute');
    }

    public function testMidiFileReadsWhatWeWrite(): void
    {
        [$read] = NodeOracle::ask([['ask' => 'midi-file read', 'bytes' => bin2hex(self::song()->encode())]]);
        self::assertSame(['format' => 1, 'numTracks' => 2, 'ticksPerBeat' => 480], $read['file']['header']);
        [$tempo, $notes] = $read['file']['tracks'];
        self::assertSame(['setTempo', 'setTempo', 'endOfTrack'], array_column($tempo, 'type'));
        self::assertSame([500000, 606305], array_column($tempo, 'microsecondsPerBeat'));
        self::assertSame(
            [
                'trackName',
                'noteOn',
                'noteOn',
                'noteOff',
                'noteOff',
                'controller',
                'pitchBend',
                'programChange',
                'sysEx',
                'endOfTrack',
            ],
            array_column($notes, 'type'),
        );
        self::assertSame([0, 0, 240, 240, 0, 10, 0, 0, 0, 1000000], array_column($notes, 'deltaTime'));
    }

    public function testWeReadWhatMidiFileWrites(): void
    {
        $events = [
            ['deltaTime' => 0, 'meta' => true, 'type' => 'trackName', 'text' => 'Palm House'],
            ['deltaTime' => 0, 'meta' => true, 'type' => 'setTempo', 'microsecondsPerBeat' => 468750],
            ['deltaTime' => 96, 'type' => 'noteOn', 'channel' => 9, 'noteNumber' => 48, 'velocity' => 127],
            ['deltaTime' => 96, 'type' => 'noteOn', 'channel' => 9, 'noteNumber' => 50, 'velocity' => 1],
            ['deltaTime' => 300, 'type' => 'noteOff', 'channel' => 9, 'noteNumber' => 48, 'velocity' => 64],
            ['deltaTime' => 0, 'type' => 'channelAftertouch', 'channel' => 0, 'amount' => 3],
            ['deltaTime' => 0, 'meta' => true, 'type' => 'endOfTrack'],
        ];
        foreach ([true, false] as $running) {
            [$made] = NodeOracle::ask(
                [
                    [
                        'ask' => 'midi-file write',
                        'running' => $running,
                        'file' => ['header' => ['format' => 0, 'numTracks' => 1, 'ticksPerBeat' => 96], 'tracks' => [$events]],
                    ],
                ],
            );
            $bytes = (string) hex2bin($made['bytes']);
            $file = File::decode($bytes);
            self::assertSame('Palm House', $file->tracks[0]->events[0]->bytes);
            self::assertSame('893040', bin2hex($file->tracks[0]->events[4]->bytes));
            self::assertSame('993201', bin2hex($file->tracks[0]->events[3]->bytes));
            self::assertSame(468750, $file->tracks[0]->events[1]->tempoMicros());
            if ($running) {
                self::assertSame(
                    $made['bytes'],
                    bin2hex($file->encode()),
                    'running status is ours too: written again it is the same',
                );
            }
        }
    }

    /** The times of notes over two tempo changes. */
    public function testTheTempoMapAgreesWithTonejs(): void
    {
        $file = self::song();
        [$read] = NodeOracle::ask([['ask' => 'tonejs read', 'bytes' => bin2hex($file->encode())]]);
        self::assertSame(480, $read['ppq']);
        $map = $file->tempoMap();
        self::assertSame([['tick' => 0, 'micros' => 500000], ['tick' => 360, 'micros' => 606305]], $map->changes());
        self::assertEqualsWithDelta($read['notes'][0]['time'], $map->nanosAt(0) / 1e9, 1e-6);
        self::assertEqualsWithDelta($read['notes'][1]['time'], $map->nanosAt(240) / 1e9, 1e-6);
        self::assertEqualsWithDelta($read['notes'][0]['duration'], $map->nanosAt(480) / 1e9, 1e-6);
    }

    public function testSmpteDivision(): void
    {
        self::assertSame(
            0xE728,
            Division::perFrame(25, 40)->word(),
            'Standard MIDI Files 1.0: 25 frames of 40 ticks count milliseconds',
        );
        $file = new File(0, Division::perFrame(25, 40), [new Track([Event::channel(1500, "\x90\x3c\x40")])]);
        self::assertSame(1_500_000_000, File::decode($file->encode())->tempoMap()->nanosAt(1500));
        self::assertSame(29, Division::read(0xE350)->framesPerSecond);
    }

    private static function song(): File
    {
        return new File(1, Division::perQuarter(480), [
            new Track([Event::tempo(0, 500000), Event::tempo(360, 606305)]),
            new Track([
                Event::meta(0, Event::TRACK_NAME, 'Night Walk'),
                Event::channel(0, "\x90\x3c\x64"),
                Event::channel(240, "\x90\x40\x64"),
                Event::channel(240, "\x80\x3c\x40"),
                Event::channel(0, "\x80\x40\x40"),
                Event::channel(10, "\xB0\x07\x7f"),
                Event::channel(0, "\xE0\x00\x40"),
                Event::channel(0, "\xC0\x05"),
                Event::exclusive(0, "\x7f\x7f\x02\x01\x01\x31\xF7"),
                Event::meta(1000000, Event::END_OF_TRACK),
            ]),
        ]);
    }

    public function testWhatAnEventIsIsKept(): void
    {
        $events = File::decode(self::song()->encode())->tracks[1]->events;
        self::assertSame(
            [EventKind::Meta, EventKind::Channel, EventKind::Exclusive],
            [$events[0]->kind, $events[1]->kind, $events[8]->kind],
        );
    }
}
