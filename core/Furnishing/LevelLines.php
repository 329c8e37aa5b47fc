<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Laying;
use NimbleJunction\Core\Timeline\Line;
use NimbleJunction\Core\Timeline\Shape;
use NimbleJunction\Core\Timeline\Take;
use NimbleJunction\Core\Timeline\Thinning;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Words\ShowWording;

/**
 * What is done to the levels of a timeline as a whole: takes are laid on them, they are drawn by hand, and told by fewer
 * points.
 */
final readonly class LevelLines
{
    private const DIGITS = 5;

    public function __construct(private Show $show, private Timeline $timeline)
    {
    }

    /**
     * Each lane on the first track that moves its point and is not locked; where there is none, on a new one.
     *
     * @return array{array<string, list<Knot>>, list<array{name: string, point: string, knots: list<Knot>}>} lines by the
     *                                                                                                     track's id; and new tracks
     */
    public function laid(Take $take): array
    {
        $lines = $fresh = [];
        foreach ($take->lanes as $lane) {
            $point = $lane->point?->text() ?? '';
            $track = $this->trackOf($point);
            if ($point === '') {
                continue;
            }
            if ($track !== null) {
                $lines[$track->id] = Laying::over(
                    $lines[$track->id] ?? self::knots($track),
                    $lane->knots,
                    $lane->from,
                    $lane->to,
                );

                continue;
            }
            $fresh[$point] ??= [
                'name' => mb_substr((new ShowWording($this->show))->point($point), 0, 60),
                'point' => $point,
                'knots' => [],
            ];
            $fresh[$point]['knots'] = Laying::over($fresh[$point]['knots'], $lane->knots, $lane->from, $lane->to);
        }

        return [$lines, array_values($fresh)];
    }

    /**
     * @param list<array{float, float}> $samples time and value, as a hand drew them
     * @param float $tolerance in the unit of the values
     *
     * @return list<Knot> the line of a track with that drawn over it; what has steps jumps to the nearest of them
     */
    public function drawn(Track $track, array $samples, float $tolerance): array
    {
        usort($samples, static fn(array $one, array $other): int => $one[0] <=> $other[0]);
        $point = $track->does instanceof LevelTrack ? $track->does->point : null;
        $ranges = $this->ranges($point);
        $knots = $ranges === []
            ? array_map(static fn(array $one): Knot => self::knot($one, Shape::Linear), Thinning::of($samples, $tolerance))
            : self::stepped($samples, $ranges);
        $from = $samples[0][0] ?? 0.0;

        return Laying::over(self::knots($track), $knots, $from, $samples[\count($samples) - 1][0] ?? $from);
    }

    /**
     * @param float $tolerance in the unit of the values
     *
     * @return array{list<Knot>, float} the line of a track told by fewer points, and how far it is off
     */
    public static function thinned(Track $track, float $tolerance): array
    {
        $all = (new Line(self::knots($track)))->knots;
        $kept = $run = [];
        foreach ($all as $knot) {
            $run[] = $knot;
            if ($knot->to !== Shape::Linear) {
                array_push($kept, ...self::straight($run, $tolerance));
                $run = [];
            }
        }
        array_push($kept, ...self::straight($run, $tolerance));

        return [
            $kept,
            Thinning::off(array_map(static fn(Knot $knot): array => [$knot->at, $knot->value], $all), new Line($kept)),
        ];
    }

    /** @return list<array{float, float, string}> named ranges of what has steps: from, to, name; none for what travels */
    private function ranges(?Reference $point): array
    {
        return $point?->kind === 'fixture'
            ? $this->show->patch()->find($point->id, $point->part)?->placed->parameter->namedRanges() ?? []
            : [];
    }

    /**
     * @param list<array{float, float}> $samples
     * @param list<array{float, float, string}> $ranges
     *
     * @return list<Knot>
     */
    private static function stepped(array $samples, array $ranges): array
    {
        $middles = array_map(static fn(array $range): float => ($range[0] + $range[1]) / 2.0, $ranges);
        $knots = [];
        foreach ($samples as [$at, $value]) {
            usort($middles, static fn(float $one, float $other): int => abs($one - $value) <=> abs($other - $value));
            if ($knots === [] || $knots[\count($knots) - 1]->value !== $middles[0]) {
                $knots[] = self::knot([$at, $middles[0]], Shape::Step);
            }
        }

        return $knots;
    }

    /**
     * @param list<Knot> $run each but the last goes on in a straight line
     *
     * @return list<Knot>
     */
    private static function straight(array $run, float $tolerance): array
    {
        $kept = Thinning::of(array_map(static fn(Knot $knot): array => [$knot->at, $knot->value], $run), $tolerance);
        $knots = array_map(static fn(array $one): Knot => self::knot($one, Shape::Linear), $kept);

        return $run === [] ? [] : [...\array_slice($knots, 0, -1), $run[\count($run) - 1]];
    }

    /** @param array{float, float} $sample */
    private static function knot(array $sample, Shape $to): Knot
    {
        return new Knot(round($sample[0], self::DIGITS), round($sample[1], self::DIGITS), $to);
    }

    private function trackOf(string $point): ?Track
    {
        foreach ($this->timeline->tracks as $track) {
            if ($track->does instanceof LevelTrack && ! $track->locked && $track->does->point?->text() === $point) {
                return $track;
            }
        }

        return null;
    }

    /** @return list<Knot> */
    private static function knots(Track $track): array
    {
        return $track->does instanceof LevelTrack ? $track->does->knots : [];
    }
}
