<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Programme;

use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Programme\Strip;
use NimbleJunction\Core\Programme\Target;
use NimbleJunction\Core\Programme\Times;
use PHPUnit\Framework\TestCase;

/** A strip that is asked often gives just what one gives that is asked for the first time: what it leaves out changes nothing. */
final class StripTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    /** value = from + (to - from) x passed / time, rounded to the nearest: worked out beside, at every 5 ms. */
    public function testItGivesEachLevelWhenItIsDueHoweverOftenItIsAsked(): void
    {
        mt_srand(20261128);
        for ($round = 0; $round < 60; ++$round) {
            $lanes = [self::lane('a', [0], 255), self::lane('b', [1], 255), self::lane('c', [2, 3], 65535)];
            $strip = new Strip('palm');
            $ways = [];
            foreach ($lanes as $lane) {
                $from = mt_rand(0, $lane->highest);
                $to = mt_rand(0, 4) === 0 ? $from : mt_rand(0, $lane->highest);
                $seconds = mt_rand(0, 40) / 10;
                $strip->go(new Target($lane, $to), str_repeat("\0", 512), 0, new Times($seconds, $seconds), $from);
                $ways[] = [$lane, $from, $to, $seconds * self::SECOND];
            }
            for ($at = 0; $at <= 4 * self::SECOND; $at += mt_rand(1, 10_000_000)) {
                $levels = $strip->levels($at);
                foreach ($ways as [$lane, $from, $to, $nanos]) {
                    $share = $nanos > 0 ? min(1.0, $at / $nanos) : 1.0;
                    self::assertEqualsWithDelta(
                        $from + ($to - $from) * $share,
                        $lane->valueIn($levels),
                        0.501,
                        "round {$round}, {$lane->key} at {$at}",
                    );
                }
            }
            $strip->levels(4 * self::SECOND);
            self::assertFalse($strip->isMoving());
        }
    }

    public function testItSaysOnceThatItGivesSomethingElse(): void
    {
        $lane = self::lane('a', [0], 255);
        $strip = new Strip('palm');
        $strip->go(new Target($lane, 10), str_repeat("\0", 512), 0, new Times(10.0, 10.0));
        $told = [];
        for ($at = 0; $at <= 10 * self::SECOND; $at += intdiv(self::SECOND, 100)) {
            $strip->levels($at);
            if ($strip->takeOtherwise()) {
                $told[] = \ord($strip->levels($at)[0]);
            }
        }
        self::assertSame(range(0, 10), $told, 'each level once, of a thousand frames');
        $strip->scale(0.5, 1.0);
        self::assertSame([5, true, false], [\ord($strip->levels($at)[0]), $strip->takeOtherwise(), $strip->takeOtherwise()]);
        $strip->giveAgain();
        self::assertTrue($strip->takeOtherwise());
    }

    /** @param list<int> $slots */
    private static function lane(string $key, array $slots, int $highest): Lane
    {
        return new Lane($key, 'palm', $slots, ParameterKind::Intensity, 0, $highest, true);
    }
}
