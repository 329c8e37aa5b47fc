<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Programme\BeatClock;
use NimbleJunction\Core\Timeline\BeatsPace;
use NimbleJunction\Core\Timeline\Pace;
use NimbleJunction\Core\Timeline\SecondsPace;
use PHPUnit\Framework\TestCase;

/** How a timeline goes on while time passes: by seconds, and by beats of a tempo that changes. */
final class PaceTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testItStandsUntilItRunsAndGoesOnFromWhereItIsPut(): void
    {
        foreach ([new SecondsPace(), new BeatsPace(new BeatClock(60.0))] as $pace) {
            self::assertSame([0.0, \PHP_INT_MAX], [$pace->at(9 * self::SECOND), $pace->when(1.0)]);
            $pace->place(4.0, 10 * self::SECOND);
            self::assertSame(4.0, $pace->at(20 * self::SECOND));
            $pace->run(1.0, 20 * self::SECOND);
            self::assertSame([5.5, 23 * self::SECOND], [$pace->at(21 * self::SECOND + self::SECOND / 2), $pace->when(7.0)]);
            $pace->run(0.5, 22 * self::SECOND);
            self::assertSame([6.0, 7.0], [$pace->at(22 * self::SECOND), $pace->at(24 * self::SECOND)]);
            self::assertSame([26 * self::SECOND, 2 * self::SECOND], [$pace->when(8.0), $pace->nanos(0.0, 1.0)]);
            $pace->run(0.0, 24 * self::SECOND);
            self::assertSame(
                [7.0, self::SECOND],
                [$pace->at(99 * self::SECOND), $pace->nanos(0.0, 1.0)],
                'while it stands, as it is written',
            );
        }
    }

    public function testByBeatsItGoesAlongWithTheTempoWhateverThatBecomes(): void
    {
        $clock = new BeatClock(120.0);
        $pace = new BeatsPace($clock);
        $pace->run(1.0, 0);
        self::assertEqualsWithDelta(4.0, $pace->at(2 * self::SECOND), 1e-9);
        $clock->setTempo(60.0, 2 * self::SECOND);
        self::assertEqualsWithDelta(5.0, $pace->at(3 * self::SECOND), 1e-9);
        self::assertEqualsWithDelta(6 * self::SECOND, $pace->when(8.0), 2);
        $clock->run(false, 3 * self::SECOND);
        self::assertEqualsWithDelta(5.0, $pace->at(9 * self::SECOND), 1e-9);
        self::assertSame(\PHP_INT_MAX, $pace->when(6.0), 'where the tempo stands it comes to nothing');
        $clock->run(true, 9 * self::SECOND);
        $pace->run(2.0, 9 * self::SECOND);
        self::assertEqualsWithDelta(7.0, $pace->at(10 * self::SECOND), 1e-9);
        self::assertSame(self::SECOND / 2, $pace->nanos(0.0, 1.0));
    }

    public function testWhenItComesToAPlaceItIsThere(): void
    {
        mt_srand(11);
        foreach ([new SecondsPace(), new BeatsPace(new BeatClock(98.96))] as $pace) {
            for ($now = 0, $i = 0; $i < 200; ++$i) {
                $now += mt_rand(0, 5 * self::SECOND);
                match (mt_rand(0, 2)) {
                    0 => $pace->place(mt_rand(0, 10_000) / 100, $now),
                    default => $pace->run(mt_rand(1, 40) / 10, $now),
                };
                $this->comesTo($pace, $pace->at($now) + mt_rand(1, 5000) / 1000, $now);
            }
        }
    }

    private function comesTo(Pace $pace, float $place, int $now): void
    {
        $when = $pace->when($place);
        if ($when === \PHP_INT_MAX) {
            return;
        }
        self::assertGreaterThanOrEqual($now, $when);
        self::assertEqualsWithDelta($place, $pace->at($when), 1e-6);
    }
}
