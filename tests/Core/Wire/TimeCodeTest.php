<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\MachineCommand;
use NimbleJunction\Core\Wire\Midi\MachineControl;
use NimbleJunction\Core\Wire\Midi\QuarterFrames;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;
use PHPUnit\Framework\TestCase;

/** SMPTE ST 12-1, and MIDI time code that carries it (from memory). */
final class TimeCodeTest extends TestCase
{
    /** SMPTE ST 12-1: 00:01:00;02 follows 00:00:59;29; each tenth minute leaves nothing out; an hour has 107 892 frames. */
    public function testDropFrame(): void
    {
        $drop = static fn(int $h, int $m, int $s, int $f): TimeCode => TimeCode::of(FrameRate::DropFrame, $h, $m, $s, $f);
        self::assertSame('00:01:00;02', $drop(0, 0, 59, 29)->plus(1)->spelled());
        self::assertSame('00:00:59;29', $drop(0, 1, 0, 2)->plus(-1)->spelled());
        self::assertSame('00:10:00;00', $drop(0, 9, 59, 29)->plus(1)->spelled());
        self::assertSame(107892, $drop(1, 0, 0, 0)->toFrames());
        self::assertSame(1798 + 2, $drop(0, 1, 0, 2)->toFrames());
        self::assertSame(17982, $drop(0, 10, 0, 0)->toFrames());
        self::assertSame('00:00:00;00', $drop(23, 59, 59, 29)->plus(1)->spelled(), 'after a day it is midnight again');
        self::assertSame(3_600_000_000_000 - 3_600_000, $drop(1, 0, 0, 0)->toNanos(), 'an hour of it is 3.6 ms short of an hour');
    }

    public function testAFrameThatIsLeftOutDoesNotExist(): void
    {
        $this->expectException(OutOfRange::class);
        $this->expectExceptionMessage('Frame 1 of minute 7 does not exist');
        TimeCode::of(FrameRate::DropFrame, 0, 7, 0, 1);
    }

    /** Every number there and back, in steps that hit every kind of minute. */
    public function testEveryRateCountsThereAndBack(): void
    {
        foreach (FrameRate::cases() as $rate) {
            $day = TimeCode::fromFrames($rate, -1)->toFrames() + 1;
            self::assertSame($rate === FrameRate::DropFrame ? 2589408 : 86400 * $rate->counted(), $day);
            for ($count = 0; $count < $day; $count += 997) {
                $time = TimeCode::fromFrames($rate, $count);
                self::assertSame($count, $time->toFrames());
                TimeCode::of($rate, $time->hours, $time->minutes, $time->seconds, $time->frames);
                self::assertContains(
                    TimeCode::fromNanos($rate, $time->toNanos() + 1)->toFrames(),
                    [$count],
                    'a nanosecond into the frame',
                );
            }
        }
        self::assertSame('10:00:00:12', TimeCode::of(FrameRate::Ebu, 10, 0, 0, 0)->plus(12)->spelled());
        self::assertSame(40_000_000, TimeCode::fromFrames(FrameRate::Ebu, 1)->toNanos());
    }

    /** MIDI time code: 01:02:03:04 at 30 is F1 04 10 23 30 42 50 61 76. */
    public function testQuarterFrames(): void
    {
        $time = TimeCode::of(FrameRate::Smpte, 1, 2, 3, 4);
        $sent = QuarterFrames::of($time);
        self::assertSame(
            'f104f110f123f130f142f150f161f176',
            bin2hex(implode('', array_map(static fn($one): string => $one->encode(), $sent))),
        );
        $frames = new QuarterFrames();
        foreach ($sent as $i => $message) {
            $moving = $frames->push($message->value);
            self::assertSame($i === 7, $moving !== null);
        }
        self::assertEquals($time, $moving?->stamp);
        self::assertSame(
            ['01:02:03:06', 1],
            [$moving?->now->spelled(), $moving?->direction],
            'two frames old when it is complete',
        );
    }

    public function testQuarterFramesBackwards(): void
    {
        $frames = new QuarterFrames();
        $moving = null;
        foreach (QuarterFrames::of(TimeCode::of(FrameRate::DropFrame, 0, 1, 0, 2), -1) as $message) {
            $moving = $frames->push($message->value) ?? $moving;
        }
        self::assertSame(
            ['00:01:00;02', '00:00:59;28', -1],
            [$moving?->stamp->spelled(), $moving?->now->spelled(), $moving?->direction],
        );
    }

    public function testAPieceThatIsMissingBeginsAnew(): void
    {
        $frames = new QuarterFrames();
        $time = TimeCode::of(FrameRate::Film, 5, 6, 7, 8);
        $pieces = array_map(static fn($one): int => $one->value, QuarterFrames::of($time));
        $found = [];
        foreach ([
            ...\array_slice($pieces, 3),
            ...\array_slice($pieces, 0, 4),
            ...\array_slice($pieces, 5),
            ...$pieces,
            ...$pieces,
        ] as $piece) {
            $found[] = $frames->push($piece)?->stamp->spelled();
        }
        self::assertSame(['05:06:07:08', '05:06:07:08'], array_values(array_filter($found)));
    }

    public function testPiecesThatMakeNoTimeGiveNone(): void
    {
        $frames = new QuarterFrames();
        foreach (range(0, 7) as $piece) {
            self::assertNull($frames->push($piece << 4 | 15));
        }
    }

    public function testFullFrameAndMachineControl(): void
    {
        $full = new FullFrame(TimeCode::of(FrameRate::DropFrame, 23, 59, 59, 29));
        self::assertSame('f07f7f0101573b3b1df7', bin2hex($full->message()->encode()));
        self::assertEquals($full, FullFrame::decode($full->message()));
        $locate = MachineControl::decode(new SystemExclusive("\x7f\x7f\x06\x44\x06\x01\x61\x02\x03\x04\x05"));
        self::assertSame([MachineCommand::Locate, '01:02:03:04.05'], [$locate->command, $locate->target?->spelled()]);
        self::assertSame('f07f7f064406016102030405f7', bin2hex($locate->message()->encode()));
        self::assertSame('f07f7f0601f7', bin2hex((new MachineControl(MachineCommand::Stop))->message()->encode()));
        $this->expectException(Malformed::class);
        FullFrame::decode(new SystemExclusive("\x7f\x7f\x01\x01\x00\x3c\x00\x00"));
    }
}
