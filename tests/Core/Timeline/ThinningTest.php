<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Laying;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Core\Timeline\Thinning;
use PHPUnit\Framework\TestCase;

/** Lines of many points told by few; and pieces that are laid over a line. Random ones, checked by plain counting. */
final class ThinningTest extends TestCase
{
    public function testNoPointIsFartherAwayThanSaidWhateverTheLineDoes(): void
    {
        for ($seed = 1; $seed <= 300; ++$seed) {
            mt_srand($seed);
            $at = $value = 0.0;
            $samples = [];
            for ($i = 0, $count = mt_rand(1, 200); $i < $count; ++$i) {
                $samples[] = [$at, $value];
                $at += mt_rand(0, 4) / 100;
                $value += mt_rand(0, 9) === 0 ? mt_rand(-50, 50) : mt_rand(-20, 20) / 10;
            }
            $tolerance = mt_rand(0, 100) / 20;
            $kept = Thinning::of($samples, $tolerance);
            self::assertSame([$samples[0], end($samples)], [$kept[0], end($kept)], "seed {$seed}");
            self::assertSame(
                [],
                array_filter($kept, static fn(array $one): bool => ! \in_array($one, $samples, true)),
                "seed {$seed}: none is made up",
            );
            $line = new Line(array_map(static fn(array $one): Knot => new Knot(...$one), $kept));
            foreach ($samples as $i => [$time, $was]) {
                $isLastOfItsMoment = ($samples[$i + 1][0] ?? null) !== $time;
                if ($isLastOfItsMoment) {
                    self::assertLessThanOrEqual($tolerance + 1e-6, abs($was - (float) $line->at($time)), "seed {$seed}, at {$time}");
                }
            }
            self::assertLessThanOrEqual($tolerance + 1e-6, Thinning::off($samples, $line));
        }
    }

    public function testStraightAndStillLinesBecomeTwoPointsAndWavesFew(): void
    {
        $times = range(0, 10, 0.01);
        $of = static fn(\Closure $value): array => array_map(static fn(float $at): array => [$at, $value($at)], $times);
        self::assertCount(2, Thinning::of($of(static fn(float $at): float => 7.0), 0.0));
        self::assertCount(2, Thinning::of($of(static fn(float $at): float => 3.0 * $at), 0.001));
        $wave = $of(static fn(float $at): float => 50.0 + 50.0 * sin($at));
        // A circle's bend takes a chord of the length sqrt(8 e / curve): 10 s of it at 0.5 of 100 are about 50 of them.
        self::assertLessThan(60, \count(Thinning::of($wave, 0.5)));
        self::assertLessThan(\count(Thinning::of($wave, 0.1)), \count(Thinning::of($wave, 1.0)));
    }

    public function testAPieceLaidOverALineReplacesItsTimeAndNothingElse(): void
    {
        for ($seed = 1; $seed <= 300; ++$seed) {
            mt_srand($seed);
            $random = static function (float $from, float $to, int $count): array {
                $times = array_map(static fn(): float => $from + mt_rand(0, 1000) / 1000 * ($to - $from), range(1, $count));
                sort($times);

                return array_map(
                    static fn(float $at): Knot => new Knot($at, (float) mt_rand(0, 100), mt_rand(0, 1) === 0 ? Shape::Linear : Shape::Step),
                    array_values(array_unique($times)),
                );
            };
            $old = mt_rand(0, 5) === 0 ? [] : $random(0.0, 20.0, mt_rand(1, 12));
            $from = mt_rand(0, 150) / 10;
            $to = $from + mt_rand(1, 80) / 10;
            $piece = $random($from, $to, mt_rand(1, 6));
            $was = new Line($old);
            $new = new Line(Laying::over($old, $piece, $from, $to));
            $laid = new Line($piece);
            for ($step = 0; $step <= 2500; ++$step) {
                $at = $step / 100 + 0.003;
                $isIn = $at >= $laid->begins() && $at < $to;
                $isOut = $at < $from - 1e-9 || $at > $to + 1e-9;
                if ($isIn) {
                    self::assertEqualsWithDelta($laid->at($at), $new->at($at), 1e-6, "seed {$seed}, in it at {$at}");
                } elseif ($isOut && $was->at($at) !== null && ($at < $from || $was->begins() <= $to)) {
                    self::assertEqualsWithDelta($was->at($at), $new->at($at), 1e-6, "seed {$seed}, outside at {$at}");
                } elseif ($isOut && $at < $from) {
                    self::assertNull($new->at($at), "seed {$seed}, before it at {$at}");
                }
            }
        }
    }
}
