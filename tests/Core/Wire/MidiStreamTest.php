<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\ActiveSensing;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\ClockPosition;
use NimbleJunction\Core\Wire\Midi\ControllerAssembler;
use NimbleJunction\Core\Wire\Midi\Heard;
use NimbleJunction\Core\Wire\Midi\RealTime;
use NimbleJunction\Core\Wire\Midi\RelativeEncoding;
use NimbleJunction\Core\Wire\Midi\StreamParser;
use NimbleJunction\Core\Wire\Midi\SystemCommon;
use NimbleJunction\Core\Wire\Midi\WideController;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** MIDI 1.0, "Data Format", "Running Status", "Control Change", "System Real Time Messages" (from memory). */
final class MidiStreamTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> bytes, and what is heard: hexadecimal, or "!" and a reason */
    public static function streams(): iterable
    {
        yield 'running status' => ['903c64 4064 3c00', ['903c64', '904064', '903c00']];
        yield 'a real-time byte between status and data' => ['90 f8 3c fa 64', ['f8', 'fa', '903c64']];
        yield 'real-time bytes inside System Exclusive' => ['f0 7f f8 01 fe f7', ['f8', 'fe', 'f07f01f7']];
        yield 'System Exclusive broken off' => [
            'f0 7e 01 90 3c 64',
            ['!System Exclusive is broken off by status 0x90', '903c64'],
        ];
        yield 'System Exclusive begun anew' => ['f0 01 f0 02 f7', ['!System Exclusive is broken off by status 0xF0', 'f002f7']];
        yield 'system common ends running status' => [
            '903c64 f305 3c64',
            ['903c64', 'f305', '!a data byte stands without a status byte'],
        ];
        yield 'stray data is told of once' => ['01 02 03 c0 05', ['!a data byte stands without a status byte', 'c005']];
        yield 'undefined status' => ['f4 f5 f6', ['!status 0xF4 is not defined', '!status 0xF5 is not defined', 'f6']];
        yield 'undefined real-time bytes are nothing' => ['90 f9 3c fd 64', ['903c64']];
        yield 'a message broken off' => ['90 3c 80 3c 40', ['!a message is broken off by status 0x80', '803c40']];
        yield 'F7 without a beginning' => ['f7', ['!status 0xF7 ends a System Exclusive that did not begin']];
        yield 'one data byte' => ['c5 01 02 d5 03', ['c501', 'c502', 'd503']];
        yield 'an empty System Exclusive' => ['f0 f7', ['f0f7']];
    }

    /** @param list<string> $expected */
    #[DataProvider('streams')]
    public function testStream(string $hex, array $expected): void
    {
        $bytes = (string) hex2bin(str_replace(' ', '', $hex));
        self::assertSame($expected, self::spell((new StreamParser())->push($bytes)), 'in one piece');
        $parser = new StreamParser();
        self::assertSame(
            $expected,
            self::spell(array_merge(...array_map($parser->push(...), str_split($bytes)))),
            'byte by byte',
        );
    }

    public function testPlacesCountOverTheWholeStream(): void
    {
        $parser = new StreamParser();
        $parser->push("\x90\x3c");
        $heard = [...$parser->push("\x64\x40"), ...$parser->push("\x64\xF0\x01\xF7")];
        self::assertSame(
            [[0, 3], [3, 2], [5, 3]],
            array_map(static fn(Heard $one): array => [$one->offset, $one->length], $heard),
        );
    }

    public function testASystemExclusiveWithoutEndIsGivenUp(): void
    {
        $heard = (new StreamParser())->push("\xF0".str_repeat("\1", StreamParser::LONGEST_EXCLUSIVE + 1)."\x90\x3c\x64");
        self::assertCount(2, $heard);
        self::assertInstanceOf(Malformed::class, $heard[0]->what);
        self::assertSame('903c64', bin2hex($heard[1]->what instanceof ChannelMessage ? $heard[1]->what->encode() : ''));
    }

    public function testNoteOnWithVelocityZeroEndsANote(): void
    {
        self::assertTrue(ChannelMessage::noteOn(1, 60, 0)->endsNote());
        self::assertFalse(ChannelMessage::noteOn(1, 60, 0)->beginsNote());
        self::assertTrue(ChannelMessage::noteOff(1, 60)->endsNote());
        self::assertTrue(ChannelMessage::noteOn(1, 60, 1)->beginsNote());
        self::assertSame(8192, ChannelMessage::pitchBend(1, 8192)->wideValue());
        self::assertSame('e00040', bin2hex(ChannelMessage::pitchBend(1, 8192)->encode()));
        self::assertSame('All Notes Off', ChannelMessage::controlChange(1, 123, 0)->mode());
    }

    /** Controllers n and n+32 are one of 14 bits; 99/98 and 101/100 choose a parameter, 6/38 set it, 96/97 step it. */
    public function testControllersOfFourteenBitsAndParameters(): void
    {
        $assembler = new ControllerAssembler();
        $say = static fn(int $controller, int $value, int $channel = 1): ?WideController => $assembler->push(
            ChannelMessage::controlChange($channel, $controller, $value),
        );
        self::assertSame([7, 64 << 7], [$say(7, 64)?->number, $say(7, 64)?->value]);
        self::assertSame(64 << 7 | 5, $say(39, 5)?->value);
        self::assertSame(0, $say(39, 5, 2)?->value >> 7, 'another channel has its own');
        self::assertNull($say(99, 3));
        self::assertNull($say(98, 5));
        self::assertEquals(new WideController(WideController::NON_REGISTERED, 1, 3 << 7 | 5, 100 << 7), $say(6, 100));
        self::assertEquals(new WideController(WideController::NON_REGISTERED, 1, 3 << 7 | 5, 100 << 7 | 9), $say(38, 9));
        self::assertEquals(new WideController(WideController::NON_REGISTERED, 1, 3 << 7 | 5, 100 << 7 | 10, 1), $say(96, 0));
        $say(101, 0);
        $say(100, 0);
        self::assertSame(WideController::REGISTERED, $say(6, 2)?->kind);
        $say(101, 127);
        $say(100, 127);
        self::assertSame(WideController::PAIR, $say(6, 2)?->kind, 'the null parameter: 6 is a controller like others');
        foreach ([
            new WideController(WideController::PAIR, 3, 10, 12345),
            new WideController(WideController::NON_REGISTERED, 16, 16000, 777),
            new WideController(WideController::REGISTERED, 1, 2, 16383),
        ] as $wide) {
            $again = new ControllerAssembler();
            $results = array_filter(array_map($again->push(...), $wide->messages()));
            self::assertEquals($wide, end($results));
        }
    }

    /** Common practice, no source. */
    public function testRelativeEncoders(): void
    {
        foreach ([
            [RelativeEncoding::TwosComplement, [1 => 1, 63 => 63, 127 => -1, 65 => -63]],
            [RelativeEncoding::Offset, [65 => 1, 63 => -1, 64 => 0, 127 => 63]],
            [RelativeEncoding::SignBit, [1 => 1, 63 => 63, 65 => -1, 127 => -63]],
        ] as [$encoding, $values]) {
            foreach ($values as $value => $steps) {
                self::assertSame($steps, $encoding->steps($value), "{$encoding->value} {$value}");
                self::assertSame($value, $encoding->value($steps), "{$encoding->value} {$steps}");
            }
            self::assertSame(63, $encoding->steps($encoding->value(1000)), 'more than can be said is cut off');
        }
    }

    public function testActiveSensingIsMissedOnlyOnceItWasHeard(): void
    {
        $watch = new ActiveSensing();
        $watch->heard(RealTime::TimingClock, 0);
        self::assertFalse($watch->isLost(10_000_000_000));
        $watch->heard(RealTime::ActiveSensing, 1_000_000_000);
        self::assertFalse($watch->isLost(1_300_000_000));
        self::assertTrue($watch->isLost($watch->dueAt()));
        $watch->heard(ChannelMessage::noteOn(1, 60, 1), 1_299_000_000);
        self::assertFalse($watch->isLost(1_590_000_000), 'any message counts');
        $watch->reset();
        self::assertSame(\PHP_INT_MAX, $watch->dueAt());
    }

    public function testSongPositionCountsSixteenths(): void
    {
        $position = new ClockPosition();
        $clocks = static fn(int $count) => array_map($position->push(...), array_fill(0, $count, RealTime::TimingClock));
        $clocks(5);
        self::assertSame(0, $position->clocks, 'it stands');
        $position->push(RealTime::Start);
        $clocks(25);
        self::assertSame(24, $position->clocks, 'the first clock after start is the beginning itself');
        $position->push(RealTime::Stop);
        $clocks(3);
        $position->push(SystemCommon::songPosition(16));
        $position->push(RealTime::Continue);
        $clocks(7);
        self::assertSame(16 * 6 + 6, $position->clocks);
    }

    /**
     * @param list<Heard> $heard
     *
     * @return list<string>
     */
    private static function spell(array $heard): array
    {
        return array_map(
            static fn(Heard $one): string => $one->what instanceof Malformed ? "!{$one->what->reason}" : bin2hex($one->what->encode()),
            $heard,
        );
    }
}
