<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\ShowFormat;
use NimbleJunction\Core\Wire\Midi\StandardTime;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use NimbleJunction\Core\Wire\OutOfRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** MIDI Show Control 1.1, RP-002/RP-014 (from memory). */
final class ShowControlTest extends TestCase
{
    /** @return iterable<string, array{string, ShowControl}> */
    public static function messages(): iterable
    {
        $time = new StandardTime(1, 2, 3, 4, 50, FrameRate::Ebu);
        yield 'GO, common use' => ['f07f14020101310031f7', new ShowControl(ShowCommand::Go, 20, cue: '1', list: '1')];
        yield 'GO, nothing named' => ['f07f7f020101f7', new ShowControl(ShowCommand::Go)];
        yield 'GO with a path' => [
            'f07f00023001312e3530003200 33f7',
            new ShowControl(ShowCommand::Go, 0, 0x30, '1.50', '2', '3'),
        ];
        yield 'STOP' => ['f07f7002010235f7', new ShowControl(ShowCommand::Stop, 112, cue: '5')];
        yield 'RESUME' => ['f07f7f020103f7', new ShowControl(ShowCommand::Resume)];
        yield 'TIMED_GO' => [
            'f07f7f020104210203043235f7',
            new ShowControl(ShowCommand::TimedGo, cue: '5', time: new StandardTime(1, 2, 3, 4, 50, FrameRate::Ebu)),
        ];
        yield 'LOAD' => ['f07f7f02010537f7', new ShowControl(ShowCommand::Load, cue: '7')];
        yield 'SET, low byte first' => ['f07f7f0201060102 7f00f7', new ShowControl(ShowCommand::Set, control: 257, value: 127)];
        yield 'SET with a time' => [
            'f07f7f02010601027f00 2102030432f7',
            new ShowControl(ShowCommand::Set, time: $time, control: 257, value: 127),
        ];
        yield 'FIRE' => ['f07f7f0201072af7', new ShowControl(ShowCommand::Fire, macro: 42)];
        foreach ([
            [0x08, ShowCommand::AllOff],
            [0x09, ShowCommand::Restore],
            [0x0A, ShowCommand::Reset],
            [0x0B, ShowCommand::GoOff],
            [0x10, ShowCommand::GoJamClock],
            [0x11, ShowCommand::StandbyPlus],
            [0x12, ShowCommand::StandbyMinus],
            [0x13, ShowCommand::SequencePlus],
            [0x14, ShowCommand::SequenceMinus],
            [0x15, ShowCommand::StartClock],
            [0x16, ShowCommand::StopClock],
            [0x17, ShowCommand::ZeroClock],
            [0x19, ShowCommand::MtcChaseOn],
            [0x1A, ShowCommand::MtcChaseOff],
        ] as [$number, $command]) {
            yield $command->spelled() => [
                sprintf('f07f7f0210%02xf7', $number),
                new ShowControl($command, format: ShowFormat::SOUND),
            ];
        }
        yield 'SET_CLOCK' => [
            'f07f7f02101821020304 3234f7',
            new ShowControl(ShowCommand::SetClock, format: ShowFormat::SOUND, list: '4', time: $time),
        ];
        yield 'OPEN_CUE_LIST' => [
            'f07f7f02101b34f7',
            new ShowControl(ShowCommand::OpenCueList, format: ShowFormat::SOUND, list: '4'),
        ];
        yield 'CLOSE_CUE_LIST' => [
            'f07f7f02101c34f7',
            new ShowControl(ShowCommand::CloseCueList, format: ShowFormat::SOUND, list: '4'),
        ];
        yield 'OPEN_CUE_PATH' => [
            'f07f7f02101d34f7',
            new ShowControl(ShowCommand::OpenCuePath, format: ShowFormat::SOUND, path: '4'),
        ];
        yield 'CLOSE_CUE_PATH' => [
            'f07f7f02101e34f7',
            new ShowControl(ShowCommand::CloseCuePath, format: ShowFormat::SOUND, path: '4'),
        ];
    }

    #[DataProvider('messages')]
    public function testBothWays(string $hex, ShowControl $show): void
    {
        $hex = str_replace(' ', '', $hex);
        self::assertSame($hex, bin2hex($show->message()->encode()));
        self::assertEquals($show, ShowControl::decode(new SystemExclusive(substr((string) hex2bin($hex), 1, -1))));
    }

    public function testEveryCommandIsHere(): void
    {
        $numbers = array_map(static fn(ShowCommand $command): int => $command->value, ShowCommand::cases());
        self::assertSame([...range(1, 0x0B), ...range(0x10, 0x1E)], $numbers);
    }

    /** @return iterable<string, array{string, int, string}> data between F0 and F7, offset from the F0, words */
    public static function broken(): iterable
    {
        yield 'too short' => ['7f7f0201', 6, 'takes at least 7 bytes'];
        yield 'unknown command' => ['7f7f02010c', 5, 'command 0x0C'];
        yield 'reserved format' => ['7f7f020007', 4, 'command format 0x00 is reserved'];
        yield 'a letter in a cue' => ['7f7f02010141', 6, 'not made of digits and points'];
        yield 'an empty cue before a list' => ['7f7f0201010031', 6, 'Q_number is empty'];
        yield 'too many strings' => ['7f7f0201013100320033 0034', 6, 'at most 3'];
        yield 'LOAD without a cue' => ['7f7f020105', 6, 'LOAD needs Q_number'];
        yield 'FIRE without a macro' => ['7f7f020107', 6, 'FIRE carries one byte'];
        yield 'SET cut off' => ['7f7f020106010203', 6, 'SET carries'];
        yield 'TIMED_GO without a time' => ['7f7f0201040102', 8, 'five bytes'];
        yield 'minute 60' => ['7f7f020104003c000000', 7, 'minutes is 60, allowed is 0 to 59'];
        yield 'longer than 128 bytes' => ['7f7f020101'.str_repeat('31', 122), 128, '7 to 128'];
    }

    #[DataProvider('broken')]
    public function testWhatIsBrokenIsRefusedAtItsByte(string $hex, int $offset, string $words): void
    {
        try {
            ShowControl::decode(new SystemExclusive((string) hex2bin(str_replace(' ', '', $hex))));
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame($offset, $malformed->offset);
            self::assertStringContainsString($words, $malformed->reason);
        }
    }

    public function testDevicesGroupsAndEveryone(): void
    {
        self::assertTrue((new ShowControl(ShowCommand::Go, 5))->isFor(5));
        self::assertFalse((new ShowControl(ShowCommand::Go, 5))->isFor(6));
        self::assertTrue((new ShowControl(ShowCommand::Go, 127))->isFor(6));
        self::assertTrue((new ShowControl(ShowCommand::Go, 113))->isFor(6, [113]));
        self::assertFalse((new ShowControl(ShowCommand::Go, 113))->isFor(6, [112]));
        $this->expectException(OutOfRange::class);
        (new ShowControl(ShowCommand::Go, 128))->message();
    }

    public function testAGeneralFormatReachesItsWholeFamily(): void
    {
        self::assertSame('Moving Lights', ShowFormat::name(0x02));
        self::assertTrue(ShowFormat::includes(ShowFormat::LIGHTING, 0x02));
        self::assertTrue(ShowFormat::includes(ShowFormat::ALL, 0x35));
        self::assertFalse(ShowFormat::includes(0x02, ShowFormat::LIGHTING), 'a message for moving lights is not for every desk');
        self::assertFalse(ShowFormat::includes(ShowFormat::SOUND, 0x02));
        self::assertNull(ShowFormat::name(0x70));
        self::assertSame(
            'GO cue 1 list 1, Lighting (General), device 20',
            (new ShowControl(ShowCommand::Go, 20, cue: '1', list: '1'))->spelled(),
        );
    }
}
