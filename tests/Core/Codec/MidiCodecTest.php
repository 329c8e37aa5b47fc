<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Codec;

use NimbleJunction\Core\Codec\GameControllerReceiver;
use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MidiCodecTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<int>, string}> bytes of MIDI 1.0, table 1 and 5 (from memory) */
    public static function messages(): iterable
    {
        yield 'note on' => ['903064', '/note/1/48', [100], 'note 48 (C3) on channel 1, velocity 100'];
        yield 'note off' => ['803000', '/note/1/48', [0], 'note 48 (C3) on channel 1 ends'];
        yield 'controller' => ['bf077f', '/controller/16/7', [127], 'controller 7 on channel 16 at 127'];
        yield 'key pressure' => ['a13c05', '/key-pressure/2/60', [5], 'pressure of note 60 (C4) on channel 2 at 5'];
        yield 'program' => ['c20a', '/program/3', [10], 'program on channel 3 at 10'];
        yield 'channel pressure' => ['d30b', '/pressure/4', [11], 'pressure on channel 4 at 11'];
        yield 'pitch bend, middle' => ['e40040', '/bend/5', [8192], 'pitch bend on channel 5 at 8192'];
        yield 'song position' => ['f20108', '/song-position', [1025], 'song position at 1025'];
        yield 'song' => ['f305', '/song', [5], 'song at 5'];
        yield 'clock' => ['f8', '/clock', [], 'clock'];
        yield 'start' => ['fa', '/start', [], 'start'];
        yield 'continue' => ['fb', '/continue', [], 'continue'];
        yield 'stop' => ['fc', '/stop', [], 'stop'];
    }

    /** @param list<int> $arguments */
    #[DataProvider('messages')]
    public function testBothWays(string $hex, string $address, array $arguments, string $words): void
    {
        $codec = new MidiCodec();
        $message = $codec->receive((string) hex2bin($hex), '')[0];
        self::assertInstanceOf(Message::class, $message);
        self::assertSame([$address, $arguments, $words], [$message->address(), $message->arguments(), $message->spelled()]);
        $written = bin2hex($codec->write(MidiAddress::parse($address)?->message($arguments[0] ?? 0) ?? self::fail('no address')));
        // MIDI 1.0 lets a note end with any velocity; we send 64, which says nothing (from memory).
        self::assertSame($hex === '803000' ? '803040' : $hex, $written);
    }

    public function testNoteOnWithVelocityZeroEndsANote(): void
    {
        self::assertSame([0], (new MidiCodec())->receive("\x90\x3C\x00", '')[0]->arguments());
    }

    /** MIDI Show Control 1.1, the worked example of common use: device 20, lighting, GO cue 1 list 1. */
    public function testShowControlIsAnEventWithItsCue(): void
    {
        $message = (new MidiCodec())->receive((string) hex2bin('F07F14020101310031F7'), '')[0];
        self::assertSame(['/show-control/20/go', ['1', '1']], [$message->address(), $message->arguments()]);
        self::assertStringContainsString('GO cue 1 list 1', $message->spelled());
    }

    public function testWhatIsNoEventIsSaidInWords(): void
    {
        foreach (['fe' => 'active sensing', 'f6' => 'a tune request'] as $hex => $words) {
            $remark = (new MidiCodec())->receive((string) hex2bin((string) $hex), '')[0];
            self::assertInstanceOf(Remark::class, $remark);
            self::assertSame($words, $remark->words);
        }
        $this->expectException(Malformed::class);
        (new MidiCodec())->receive("\x90\x3C", '');
    }

    /** Common practice, no source: note 60 is C3, C4 or C5, note 0 is C-2, C-1 or C0, by the maker. */
    public function testTheOctaveIsASettingAndTheNumberAlwaysShows(): void
    {
        self::assertSame(['C3', 'C4', 'C5'], array_map(static fn(int $middleC): string => self::pitch(60, $middleC), [3, 4, 5]));
        self::assertSame(['C-2', 'C-1', 'C0'], array_map(static fn(int $middleC): string => self::pitch(0, $middleC), [3, 4, 5]));
        self::assertSame(
            ['C3', 'C5', 'F#4'],
            [self::pitch(48, 4), self::pitch(72, 4), self::pitch(66, 4)],
            '48 is C3 where 60 is C4, 72 is two octaves above it',
        );
        self::assertStringContainsString('note 60 (C3)', (new MidiCodec())->receive("\x90\x3C\x01", '')[0]->spelled(3));
    }

    private static function pitch(int $note, int $middleC): string
    {
        return (string) preg_replace('/^note \d+ \((.*)\)$/', '$1', Pitch::spelled($note, $middleC));
    }

    public function testAddressesThatNoMessageHas(): void
    {
        foreach ([
            '/note/1',
            '/note/0/60',
            '/note/17/60',
            '/note/1/128',
            '/note/1/060',
            '/bend/1/2',
            '/clock/1',
            '/fader',
            'note/1/2',
            '/note/1/2/3',
            '/show-control/1/go',
        ] as $address) {
            self::assertFalse(MidiAddress::canBeSent($address), $address);
        }
        self::assertSame(
            "\xB0\x07\x7F",
            (new MidiCodec())->write(MidiAddress::parse('/controller/1/7')?->message(900.0) ?? Osc::of('/none')),
            'held at the highest value',
        );
        self::assertSame('', (new MidiCodec())->write(Osc::of('/fader', [1])));
    }

    public function testMidiMovesASlotAndTheSlotMovesTheFader(): void
    {
        $rig = $this->rig();
        $rig->arrive('midi cable lectern', "\xB0\x10\x40", 'guest');
        self::assertSame(129, $rig->level(20), '64 of 127 is 128.5 of 255');
        self::assertStringContainsString('controller 16 on channel 1 at 64', implode("\n", $rig->hops('message')));
        $rig->pass(1);
        $told = array_values(
            array_filter($rig->sacn([20 => 255]), static fn(OutgoingPacket $one): bool => $one->via === 'midi cable lectern'),
        );
        self::assertSame(["\xB0\x10\x7F"], array_column($told, 'bytes'), 'the motor fader follows');
        self::assertStringContainsString('sent controller 16 on channel 1 at 127', implode("\n", $rig->hops('feedback')));
    }

    public function testANoteIsALevel(): void
    {
        $rig = $this->rig();
        $rig->arrive('midi cable lectern', "\x90\x30\x64", 'guest');
        self::assertSame(201, $rig->level(21), 'velocity 100 of 127 scales the level');
        $rig->arrive('midi cable lectern', "\x80\x30\x64", 'guest');
        self::assertSame(0, $rig->level(21), 'note-off returns to zero (common practice, no source)');
    }

    /** Dead zone and centre: our own reckoning, checked by hand. */
    public function testAGameControllersAxesRestAtTheirCentre(): void
    {
        $receiver = new GameControllerReceiver(0.2, [0.1]);
        $value = static fn(float $axis): float => $receiver->receive(json_encode(['axes' => ['0' => $axis]]), '')[0]->arguments()[0];
        self::assertSame([0.0, 0.0, 0.0, 1.0, -1.0], array_map($value, [0.1, 0.29, -0.09, 1.0, -1.0]));
        self::assertEqualsWithDelta(0.5, $value(0.65), 1e-9, '0.55 from the centre, 0.2 of it dead, 0.9 to the end: 0.35 of 0.7');
        $messages = (new GameControllerReceiver())->receive('{"axes":{"1":-0.25},"buttons":{"3":1}}', '');
        self::assertSame(
            [['/axis/2', [-0.25]], ['/button/4', [1.0]]],
            array_map(static fn(Message $one): array => [$one->address(), $one->arguments()], $messages),
        );
        foreach ([
            '',
            '[1',
            '{"axes":{"0":2}}',
            '{"axes":{"x":0}}',
            '{"buttons":{"0":-1}}',
            '{"axes":7}',
            '{"buttons":{"64":1}}',
        ] as $broken) {
            try {
                $receiver->receive($broken, '');
                self::fail("{$broken} was taken");
            } catch (Malformed $malformed) {
                self::assertNotSame('', $malformed->reason);
            }
        }
    }

    private function rig(): Rig
    {
        $document = Rig::document();

        return new Rig([
            'ports' => [
                ...$document['ports'],
                [
                    'id' => 'lectern',
                    'name' => 'Lectern',
                    'protocol' => 'midi',
                    'link' => ['kind' => 'cable', 'device' => 'lectern'],
                    'receive' => ['enabled' => true],
                    'send' => ['enabled' => true],
                ],
            ],
            'routes' => [
                [
                    'id' => 'in',
                    'name' => 'Fader',
                    'from' => [
                        'kind' => 'message',
                        'port' => 'lectern',
                        'address' => '/controller/1/16',
                        'low' => 0,
                        'high' => 127,
                    ],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 20],
                ],
                [
                    'id' => 'out',
                    'name' => 'Back',
                    'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 20],
                    'to' => [
                        'kind' => 'message',
                        'port' => 'lectern',
                        'address' => '/controller/1/16',
                        'low' => 0,
                        'high' => 127,
                    ],
                ],
                [
                    'id' => 'note',
                    'name' => 'Note',
                    'from' => ['kind' => 'message', 'port' => 'lectern', 'address' => '/note/1/48', 'low' => 0, 'high' => 127],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 21],
                ],
            ],
        ]);
    }

    public function testAClockThatNobodyAsksForIsCountedAndLeavesTheTraceAlone(): void
    {
        $cable = [
            'id' => 'song',
            'name' => 'Song',
            'protocol' => 'midi',
            'link' => ['kind' => 'cable', 'device' => 'song'],
            'receive' => ['enabled' => true],
        ];
        $rig = new Rig(['ports' => [...Rig::document()['ports'], $cable]]);
        for ($i = 0; $i < 24; ++$i) {
            $rig->arrive('midi cable song', "\xF8");
        }
        $rig->arrive('midi cable song', "\xFA");
        self::assertSame(25, $rig->junction->activity('song')->received);
        self::assertSame([], preg_grep('/clock/', $rig->titles()));
        self::assertContains('Song: start', $rig->titles());
        $route = [
            'id' => 'tick',
            'name' => 'Tick',
            'from' => ['kind' => 'message', 'port' => 'song', 'address' => '/clock'],
            'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 30],
        ];
        $rig->adopt(['ports' => [...Rig::document()['ports'], $cable], 'routes' => [$route]]);
        $rig->arrive('midi cable song', "\xF8");
        self::assertContains('Song: clock', $rig->titles());
    }
}
