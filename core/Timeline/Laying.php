<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** A piece of a line is laid over another one: what was there in its time is gone, what was before and behind it stays. */
final class Laying
{
    /**
     * @param list<Knot> $old
     * @param list<Knot> $piece in the order of time
     * @param float $from where the piece begins; all of it lies between there and $to
     *
     * @return list<Knot> in the order of time
     */
    public static function over(array $old, array $piece, float $from, float $to): array
    {
        if ($piece === []) {
            return $old;
        }
        $line = new Line($old);
        $before = array_values(array_filter($line->knots, static fn(Knot $knot): bool => $knot->at < $from));
        $behind = array_values(array_filter($line->knots, static fn(Knot $knot): bool => $knot->at > $to));
        $left = $line->at($from);
        if ($before !== [] && $left !== null) {
            // It comes as far as it would have come by then, and jumps to where the piece begins.
            $before[] = new Knot($from, $left);
        }
        $last = $piece[\count($piece) - 1];
        $end = [];
        $back = $line->at($to);
        if ($back !== null && $line->begins() <= $to && ($behind !== [] || $line->knots[\count($line->knots) - 1]->at < $to)) {
            $running = self::running($line->knots, $to);
            $end = [new Knot($to, $last->value), new Knot($to, $back, $running->to, $running->bend)];
        } elseif ($last->at < $to || $behind !== []) {
            // What was there has not begun yet: until then it stays.
            $end = [new Knot($to, $last->value, Shape::Step)];
        }

        return self::once([...$before, ...$piece, ...$end, ...$behind]);
    }

    /** @param list<Knot> $knots the way on which a line is at a time */
    private static function running(array $knots, float $at): Knot
    {
        $found = $knots[0];
        foreach ($knots as $knot) {
            if ($knot->at > $at) {
                break;
            }
            $found = $knot;
        }

        return $found;
    }

    /**
     * @param list<Knot> $knots
     *
     * @return list<Knot> at one moment two at most: where it comes to, and where it goes on from
     */
    private static function once(array $knots): array
    {
        $kept = [];
        foreach ($knots as $knot) {
            $count = \count($kept);
            $isThird = $count >= 2 && $kept[$count - 1]->at === $knot->at && $kept[$count - 2]->at === $knot->at;
            $isSame = $count >= 1 && $kept[$count - 1]->at === $knot->at && $kept[$count - 1]->value === $knot->value;
            if ($isThird || $isSame) {
                array_pop($kept);
            }
            $kept[] = $knot;
        }

        return $kept;
    }
}
