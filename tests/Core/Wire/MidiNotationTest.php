<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\MachineCommand;
use NimbleJunction\Core\Wire\Midi\MachineControl;
use NimbleJunction\Core\Wire\Midi\Notation;
use NimbleJunction\Core\Wire\Midi\StandardTime;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** MIDI messages under the names that the standard gives them; machine control after MIDI Machine Control 1.0 (from memory). */
final class MidiNotationTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function messages(): iterable
    {
        yield 'Note On' => ['953c64', ['message' => 'Note On', 'channel' => 6, 'note' => 60, 'velocity' => 100]];
        yield 'Note Off' => ['803c40', ['message' => 'Note Off', 'channel' => 1, 'note' => 60, 'velocity' => 64]];
        yield 'key pressure' => [
            'a13c05',
            ['message' => 'Polyphonic Key Pressure', 'channel' => 2, 'note' => 60, 'pressure' => 5],
        ];
        yield 'controller' => ['bf0740', ['message' => 'Control Change', 'channel' => 16, 'controller' => 7, 'value' => 64]];
        yield 'programme' => ['c005', ['message' => 'Program Change', 'channel' => 1, 'program' => 5]];
        yield 'channel pressure' => ['d04d', ['message' => 'Channel Pressure', 'channel' => 1, 'pressure' => 77]];
        yield 'pitch bend' => ['e07f7f', ['message' => 'Pitch Bend Change', 'channel' => 1, 'value' => 16383]];
        yield 'quarter frame' => ['f176', ['message' => 'MTC Quarter Frame', 'piece' => 7, 'nibble' => 6]];
        yield 'song position' => ['f26807', ['message' => 'Song Position Pointer', 'position' => 1000]];
        yield 'clock' => ['f8', ['message' => 'Timing Clock']];
        yield 'a maker\'s own' => ['f000213b01f7', ['message' => 'System Exclusive', 'data' => '00213b01']];
        yield 'machine control' => ['f07f050602f7', ['message' => 'MIDI Machine Control', 'device_ID' => 5, 'command' => 'PLAY']];
        yield 'FIRE' => [
            'f07f7f0201072af7',
            ['message' => 'MIDI Show Control', 'device_ID' => 127, 'command_format' => 1, 'command' => 'FIRE', 'macro' => 42],
        ];
        yield 'show control that is broken' => ['f07f7f02010141f7', ['message' => 'System Exclusive', 'data' => '7f7f02010141']];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('messages')]
    public function testFields(string $hex, array $fields): void
    {
        $notation = new Notation();
        self::assertSame(['messages' => [$fields]], $notation->read((string) hex2bin($hex))->plain());
        self::assertSame($hex, bin2hex($notation->write(['messages' => [$fields]])));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function mistakes(): iterable
    {
        yield 'no name' => [[], 'messages/0/message: it is missing; use the name of a MIDI message'];
        yield 'note 128' => [
            ['message' => 'Note On', 'channel' => 1, 'note' => 128, 'velocity' => 1],
            'messages/0/note: it is 128; use a whole number from 0 to 127',
        ];
        yield 'a field too many' => [
            ['message' => 'Timing Clock', 'tempo' => 120],
            'messages/0/tempo: this field is not known here; known are message',
        ];
        yield 'eight bits' => [['message' => 'System Exclusive', 'data' => '80'], 'use bytes of seven bits in hexadecimal'];
        yield 'unknown command' => [
            ['message' => 'MIDI Show Control', 'device_ID' => 1, 'command_format' => 1, 'command' => 'DANCE'],
            'use one of GO, STOP, RESUME, TIMED_GO',
        ];
        yield 'a cue of letters' => [
            ['message' => 'MIDI Show Control', 'device_ID' => 1, 'command_format' => 1, 'command' => 'GO', 'Q_number' => 'A'],
            'use digits and points',
        ];
        yield 'SET without a value' => [
            ['message' => 'MIDI Show Control', 'device_ID' => 1, 'command_format' => 1, 'command' => 'SET', 'control' => 1],
            'messages/0/value: it is missing',
        ];
        yield 'unknown machine command' => [
            ['message' => 'MIDI Machine Control', 'device_ID' => 1, 'command' => 'JUMP'],
            'use one of STOP, PLAY, DEFERRED PLAY',
        ];
        yield 'LOCATE to nowhere' => [
            ['message' => 'MIDI Machine Control', 'device_ID' => 1, 'command' => 'LOCATE'],
            'messages/0/target: it is missing',
        ];
        yield 'an odd rate' => [
            ['message' => 'MTC Full Message', 'device_ID' => 1, 'time' => ['rate' => '48']],
            'messages/0/time/rate: it is "48"; use one of 24, 25, 29.97 drop, 30',
        ];
        yield 'a frame that is left out' => [
            [
                'message' => 'MTC Full Message',
                'device_ID' => 1,
                'time' => ['rate' => '29.97 drop', 'hours' => 0, 'minutes' => 1, 'seconds' => 0, 'frames' => 0, 'fractions' => 0],
            ],
            'drop frame leaves out frames 0 and 1',
        ];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('mistakes')]
    public function testMistakesNameTheirFieldAndWhatIsAllowed(array $fields, string $words): void
    {
        try {
            (new Notation())->write(['messages' => [$fields]]);
            self::fail('it was written');
        } catch (Unwritable $unwritable) {
            self::assertStringContainsString($words, $unwritable->getMessage());
        }
    }

    public function testEveryMachineCommandGoesThereAndBack(): void
    {
        foreach (MachineCommand::cases() as $command) {
            $control = new MachineControl(
                $command,
                3,
                $command === MachineCommand::Locate ? new StandardTime(1, 2, 3, 4, 5) : null,
            );
            self::assertEquals($control, MachineControl::decode($control->message()));
        }
        foreach ([
            "\x7f\x7f\x06\x7e" => 4,
            "\x7f\x7f\x06\x01\x00" => 5,
            "\x7f\x7f\x06\x44\x06\x02" => 5,
            "\x7f\x7f\x06\x44\x06\x01\x00\x3c\x00\x00\x00" => 8,
        ] as $data => $offset) {
            try {
                MachineControl::decode(new SystemExclusive((string) $data));
                self::fail('it was taken');
            } catch (Malformed $malformed) {
                self::assertSame($offset, $malformed->offset);
            }
        }
    }

    public function testAFormatIsGuessedByHowItBegins(): void
    {
        foreach ([
            '' => null,
            'zz' => null,
            "Art-Net\0" => 'artnet',
            '/lamp' => 'osc',
            "#bundle\0" => 'osc',
            'MThd' => 'smf',
            "\xFF\xFFIN" => 'applemidi',
            "\x90\x3c\x64" => 'midi',
            "\0\1" => 'dmx',
            "\x0A\x0D\x0D\x0A" => 'pcap',
        ] as $bytes => $format) {
            self::assertSame($format, Formats::guess((string) $bytes));
        }
        self::assertNull(Formats::notation('morse'));
    }
}
