<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Recording;

use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Core\Timeline\TakeLane;
use NimbleJunction\Core\Timeline\Thinning;

/** All that was written from one begin to one end. */
final readonly class RecordedPass
{
    private const DIGITS = 5;

    /** @param list<array{Reference, Point, RecordedSpan}> $spans */
    public function __construct(public array $spans)
    {
    }

    /**
     * @param float $tolerance as a share of each point's range, 0 to 1
     *
     * @return list<TakeLane> each span as a line that is no farther away
     */
    public function lanes(float $tolerance): array
    {
        $lanes = [];
        foreach ($this->spans as [$reference, $point, $span]) {
            $jumps = $point->ranges !== [] || $point->choices !== [] || $point->kind === PointKind::Switch;
            $kept = $jumps
                ? self::steps($span->samples)
                : Thinning::of($span->samples, $tolerance * ($point->high - $point->low));
            $knots = array_map(
                static fn(array $one): Knot => new Knot(
                    round($one[0], self::DIGITS),
                    round($one[1], self::DIGITS),
                    $jumps ? Shape::Step : Shape::Linear,
                ),
                $kept,
            );
            $off = round(Thinning::off($span->samples, new Line($knots)), self::DIGITS);
            $lanes[] = new TakeLane(
                round($span->from, self::DIGITS),
                round($span->to, self::DIGITS),
                $reference,
                $knots,
                \count($span->samples),
                $off,
            );
        }

        return $lanes;
    }

    /**
     * What has steps jumps from one to the next, and passes nothing in between.
     *
     * @param list<array{float, float}> $samples
     *
     * @return list<array{float, float}>
     */
    private static function steps(array $samples): array
    {
        $kept = [];
        foreach ($samples as $one) {
            if ($kept === [] || $kept[\count($kept) - 1][1] !== $one[1]) {
                $kept[] = $one;
            }
        }

        return $kept;
    }
}
