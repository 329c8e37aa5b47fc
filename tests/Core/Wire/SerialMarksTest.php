<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\DmxLine\SerialMarks;
use PHPUnit\Framework\TestCase;

/**
 * What a serial driver hands up with PARMRK set (POSIX termios, "Input Modes", from memory): break FF 00 00, a bad
 * slot FF 00 x, a slot of 255 FF FF.
 */
final class SerialMarksTest extends TestCase
{
    private const BREAK = "\xFF\0\0";

    public function testARefreshIsWholeWhenTheNextBreakComes(): void
    {
        $marks = new SerialMarks();
        self::assertSame([], $marks->push('noise before the first break'));
        self::assertSame([], $marks->push(self::BREAK."\0\x01\x02"));
        self::assertSame(["\0\x01\x02\x03"], $marks->push("\x03".self::BREAK));
        self::assertSame(["\0\x09", "\0\x08"], $marks->push("\0\x09".self::BREAK."\0\x08".self::BREAK));
    }

    public function testASlotOf255IsDoubledAndMayComeInTwoPieces(): void
    {
        $marks = new SerialMarks();
        $marks->push(self::BREAK."\0\x10\xFF");
        $marks->push("\xFF\x20\xFF");
        self::assertSame(["\0\x10\xFF\x20\xFF"], $marks->push("\xFF".self::BREAK));
        $marks->push("\0\x30\xFF");
        $marks->push("\0");
        self::assertSame(["\0\x30"], $marks->push("\0"), 'a break in three pieces');
    }

    public function testASlotWithoutStopBitsSpoilsItsRefreshOnly(): void
    {
        $marks = new SerialMarks();
        self::assertSame([], $marks->push(self::BREAK."\0\x10\xFF\0\x55\x11".self::BREAK));
        self::assertSame(["\0\x12"], $marks->push("\0\x12".self::BREAK));
    }

    public function testMoreThan513SlotsAreNoRefreshAndABreakAloneNeither(): void
    {
        $marks = new SerialMarks();
        self::assertSame([], $marks->push(self::BREAK.str_repeat("\x01", 514).self::BREAK));
        self::assertSame([], $marks->push(self::BREAK));
        self::assertSame([str_repeat("\x01", 513)], $marks->push(str_repeat("\x01", 513).self::BREAK));
    }

    /** However the driver cuts its bytes, the refreshes are the same. */
    public function testEveryWayOfCutting(): void
    {
        mt_srand(20261125);
        $wanted = [];
        $stream = self::BREAK;
        for ($i = 0; $i < 40; ++$i) {
            $slots = "\0".implode(
                '',
                array_map(static fn(): string => \chr(mt_rand(0, 3) === 0 ? 255 : mt_rand(0, 255)), range(1, mt_rand(1, 60))),
            );
            $wanted[] = $slots;
            $stream .= str_replace("\xFF", "\xFF\xFF", $slots).self::BREAK;
        }
        for ($round = 0; $round < 30; ++$round) {
            $marks = new SerialMarks();
            $lines = [];
            for ($at = 0; $at < \strlen($stream); $at += $size) {
                $size = mt_rand(1, 40);
                array_push($lines, ...$marks->push(substr($stream, $at, $size)));
            }
            self::assertSame($wanted, $lines);
        }
    }
}
