<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\DmxLine\Line;
use NimbleJunction\Core\Wire\DmxLine\Reader;
use NimbleJunction\Core\Wire\DmxLine\Signal;
use NimbleJunction\Core\Wire\DmxLine\StartCode;
use NimbleJunction\Core\Wire\Malformed;
use PHPUnit\Framework\TestCase;

/** ANSI E1.11, clause 8 and tables 6 and 7 (from memory). */
final class DmxLineTest extends TestCase
{
    public function testARefreshGoesOverTheWireAndBack(): void
    {
        $line = new Line(str_repeat("\x80", 512));
        self::assertEquals([null, $line], $this->read([...$line->signals(), Signal::low(92)]));
        $signals = $line->signals();
        self::assertSame([92.0, 12.0, 0], [$signals[0]->micros, $signals[1]->micros, $signals[2]->slot]);
        self::assertCount(515, $signals);
    }

    /** A refresh may be short; other start codes are no levels. */
    public function testPartialUniversesAndOtherStartCodes(): void
    {
        $text = new Line('Hello', StartCode::TEXT);
        self::assertFalse($text->isLevels());
        self::assertEquals(
            [null, new Line("\1\2\3"), $text],
            $this->read([...(new Line("\1\2\3"))->signals(), ...$text->signals(), Signal::low(100)]),
        );
        self::assertSame('system information packet', StartCode::name(0xCF));
        self::assertSame('alternate start code 0x42', StartCode::name(0x42));
    }

    /** 512 slots: 22.676 ms, 44 times a second; 24 slots: the shortest time from break to break, 1204 µs. */
    public function testRefreshRates(): void
    {
        self::assertEqualsWithDelta(44.1, Line::refreshesPerSecond(512), 0.05);
        self::assertSame(92 + 12 + 25 * 44, Line::refreshMicros(24));
        self::assertEqualsWithDelta(830.6, Line::refreshesPerSecond(1), 0.05);
    }

    /** Receivers take a break of 88 µs and a mark of 8 µs; less is none. */
    public function testTimesThatAReceiverMustAcceptAndThoseItMustNot(): void
    {
        $slots = [Signal::slot(0), Signal::slot(7)];
        self::assertEquals([null, new Line("\7")], $this->read([Signal::low(88), Signal::high(8), ...$slots, Signal::low(88)]));
        foreach ([
            [[Signal::low(87)], 'the line is low for 87 µs'],
            [[Signal::low(88), Signal::high(7)], 'the mark after break is 7 µs'],
            [[Signal::low(88), Signal::slot(0)], 'without a mark'],
            [[Signal::low(88), Signal::high(8), Signal::slot(0, false)], 'no stop bits'],
            [[Signal::low(88), Signal::high(8), ...array_fill(0, 514, Signal::slot(1))], 'more than 512'],
        ] as [$signals, $words]) {
            $heard = $this->read($signals);
            $refused = end($heard);
            self::assertInstanceOf(Malformed::class, $refused);
            self::assertStringContainsString($words, $refused->reason);
        }
    }

    public function testAfterARefusalReadingBeginsAnewWithTheNextBreak(): void
    {
        $reader = new Reader();
        $heard = array_map(
            $reader->push(...),
            [
                Signal::low(50),
                Signal::high(8),
                Signal::slot(0),
                Signal::slot(9),
                ...(new Line("\5"))->signals(),
                Signal::high(1_100_000),
            ],
        );
        self::assertInstanceOf(Malformed::class, $heard[0]);
        self::assertEquals(new Line("\5"), end($heard), 'a second without a break ends the refresh too');
    }

    /**
     * @param list<Signal> $signals
     *
     * @return list<Line|Malformed|null> what each break gave, and what was refused
     */
    private function read(array $signals): array
    {
        $reader = new Reader();
        $heard = [];
        foreach ($signals as $signal) {
            $one = $reader->push($signal);
            if ($one !== null || ($signal->slot === null && ! $signal->high)) {
                $heard[] = $one;
            }
        }

        return $heard;
    }
}
