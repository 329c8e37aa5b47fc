<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Action\WaitAction;

/** What a timeline had done by a time, had it been played from its beginning, as far as that still counts. */
final class Past
{
    /** Of fades that began one in the other so many are followed back. Our own limit. */
    private const MOST_FADES = 8;

    /** Levels that were there so shortly before are what others fade from: in the timeline's unit. Our own limit. */
    public const RECENT = 60.0;

    /** Kinds of points that are levels, or become some. */
    private const LEVELS = ['slot', 'fixture', 'group', 'pixels', 'hold'];

    /** @var array<string, array<int, Done>> by what is moved, and by how many were before */
    private array $done = [];
    private int $count = 0;

    private function __construct(private readonly float $at)
    {
    }

    /**
     * Of each thing that is moved the last word, and all that went on from there. A look that is on acts when it came on,
     * however often it is said again; of what fades what it fades from is there too.
     *
     * @param \Closure(SetAction|PressAction): bool $counts whether something stays of it
     *
     * @return list<Done> in the order of time
     */
    public static function of(Score $score, float $at, \Closure $counts): array
    {
        $past = new self($at);
        for ($place = 0, $end = $score->placeAt($at); $place < $end; ++$place) {
            $due = $score->dues[$place];
            $when = $due->at;
            foreach ($due->moment->do as $action) {
                $when += $action instanceof WaitAction ? $action->seconds : 0.0;
                if ($when < $at && self::moves($action) && $counts($action)) {
                    $past->add(new Done($when, $due, $action));
                }
            }
        }
        $all = array_replace([], ...array_values($past->done));
        ksort($all);
        usort($all, static fn(Done $one, Done $other): int => $one->at <=> $other->at);

        return $all;
    }

    /** @phpstan-assert-if-true SetAction|PressAction $action */
    public static function moves(Action $action): bool
    {
        return $action instanceof SetAction || $action instanceof PressAction;
    }

    /** Whether a point is a level that others may fade from. */
    public static function isLevel(Reference $point): bool
    {
        return \in_array($point->kind, self::LEVELS, true);
    }

    private function add(Done $done): void
    {
        $subject = Done::subject($done->action->point)->text();
        $before = $this->done[$subject] ?? [];
        $last = $before === [] ? null : $before[array_key_last($before)];
        if ($last !== null && $done->keepsOn($last) && ! self::mayBeOn($before, $done)) {
            $done = new Done($last->at, $done->due, $done->action);
        }
        if ($done->isAbsolute() && ! self::mayBeOn($before, $done)) {
            $this->done[$subject] = $this->fadedFrom($before, $done);
        }
        $this->done[$subject][$this->count++] = $done;
    }

    /**
     * Whether a look was pressed since, and comes on again: who knows whether it was on.
     *
     * @param array<int, Done> $before
     */
    private static function mayBeOn(array $before, Done $done): bool
    {
        $isPressed = static fn(Done $one): bool => $one->action instanceof PressAction;

        return $done->isLookOn() && array_filter($before, $isPressed) !== [];
    }

    /**
     * @param array<int, Done> $before
     *
     * @return array<int, Done> those of them that are still seen
     */
    private function fadedFrom(array $before, Done $done): array
    {
        $words = array_keys(array_filter($before, static fn(Done $one): bool => $one->isAbsolute()));
        $isFade = $done->action->point->kind === 'list' || ($done->action instanceof SetAction && $done->action->goesOn());
        $first = match (true) {
            $isFade => $words[\count($words) - self::MOST_FADES] ?? 0,
            self::isLevel($done->action->point) => max([
                0,
                ...array_filter($words, fn(int $place): bool => $before[$place]->at < $this->at - self::RECENT),
            ]),
            default => \PHP_INT_MAX,
        };

        return array_filter($before, static fn(int $place): bool => $place >= $first, \ARRAY_FILTER_USE_KEY);
    }
}
