<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Merge;

use NimbleJunction\Core\Merge\Rhythm;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;
use PHPUnit\Framework\TestCase;

/** Gaps, jitter and loss over ten seconds, a minute and the evening: what was bad leaves the shorter windows first. */
final class FiguresTest extends TestCase
{
    private const MILLI = 1_000_000;
    private int $now = 1_000_000_000_000;

    public function testGapsAndJitterLeaveTheShortWindowsFirst(): void
    {
        $rhythm = new Rhythm();
        $this->beat($rhythm, 400, 25);
        self::assertSame([25.0, 25.0, 25.0], $this->gaps($rhythm));
        [$ten, $minute, $ever] = $rhythm->jittersMillis();
        self::assertSame([0.0, 0.0, 0.0], [round($ten, 3), round($minute, 3), round($ever, 3)]);
        // One frame that is 75 ms late: RFC 3550, 6.4.1 has a sixteenth of the difference, and then the same back.
        $this->beat($rhythm, 1, 100);
        $this->beat($rhythm, 1, 25);
        self::assertEqualsWithDelta(75 / 16 * 15 / 16 + 75 / 16, $rhythm->jitterMillis(), 0.01);
        $this->beat($rhythm, 40, 25);
        self::assertSame([100.0, 100.0, 100.0], $this->gaps($rhythm));
        $this->beat($rhythm, 1000, 25);
        [$ten, $minute, $ever] = $rhythm->jittersMillis();
        self::assertSame([25.0, 100.0, 100.0], $this->gaps($rhythm), 'half a minute later');
        self::assertLessThan(0.1, $ten);
        self::assertGreaterThan(2.0, $minute);
        $this->beat($rhythm, 3000, 25);
        [, $minute, $ever] = $rhythm->jittersMillis();
        self::assertSame([25.0, 25.0, 100.0], $this->gaps($rhythm), 'more than a minute later');
        self::assertLessThan(0.1, $minute);
        self::assertGreaterThan(2.0, $ever);
    }

    public function testASilenceThatLastsIsTheLongestGapOfAll(): void
    {
        $rhythm = new Rhythm();
        $this->beat($rhythm, 40, 25);
        $this->now += 7000 * self::MILLI;
        self::assertSame([7000.0, 7000.0, 7000.0], $this->gaps($rhythm));
    }

    public function testLossOfTenSecondsOfAMinuteAndOfAll(): void
    {
        $activity = new Activity();
        $heard = function (int $seconds, int $missing) use ($activity): void {
            for ($second = 0; $second < $seconds; ++$second) {
                for ($i = 0; $i < 10; ++$i) {
                    $activity->heard(new Frame(Protocol::ArtNet, 1, 'a', 'x'), '127.0.0.1', $this->now);
                    $this->now += 100 * self::MILLI;
                }
                $activity->missed($missing);
            }
        };
        $heard(5, 10);
        $losses = fn(): array => array_map(
            fn(?int $seconds): float => round($activity->lossPart($this->now, $seconds), 3),
            [10, 60, null],
        );
        self::assertSame([0.5, 0.5, 0.5], $losses());
        $heard(15, 0);
        self::assertSame([0.0, 0.2, 0.2], $losses());
        $heard(60, 0);
        self::assertSame([0.0, 0.0, round(50 / 850, 3)], $losses());
    }

    private function beat(Rhythm $rhythm, int $times, int $millis): void
    {
        for ($i = 0; $i < $times; ++$i) {
            $this->now += $millis * self::MILLI;
            $rhythm->beat($this->now);
        }
    }

    /** @return array{float, float, float} */
    private function gaps(Rhythm $rhythm): array
    {
        return [
            $rhythm->longestTenMillis($this->now),
            $rhythm->longestGapMillis($this->now),
            $rhythm->longestEverMillis($this->now),
        ];
    }
}
