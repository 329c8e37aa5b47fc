<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Action\WaitAction;
use NimbleJunction\Core\Timeline\Kind\ClipTrack;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;

/** A timeline as it is played: all moments of the tracks that count in their order, and all levels. */
final readonly class Score
{
    /** Of fades that began one in the other so many are followed back. Our own limit. */
    private const MOST_FADES = 8;

    /** @var list<Due> in the order of time; at one moment in the order of tracks */
    public array $dues;

    /** @var array<string, LevelTrack> by the id of the route that owns what it gives */
    public array $levels;

    /** @var list<Clip> other timelines that are there for a while */
    public array $clips;

    /** @var array<string, float> how much earlier each of these comes, where it does */
    public array $early;

    /** @var array<string, array<string, true>> points that its moments set, by the route that owns them */
    public array $sets;

    /** Where it ends, in the timeline's unit. */
    public float $ends;

    public function __construct(Timeline $timeline)
    {
        $isSolo = array_filter($timeline->tracks, static fn(Track $track): bool => $track->solo) !== [];
        $dues = $levels = $early = $clips = [];
        $ends = 0.0;
        foreach ($timeline->tracks as $track) {
            $ends = max($ends, $track->does?->ends() ?? 0.0);
            if ($track->muted || ($isSolo && ! $track->solo)) {
                continue;
            }
            foreach ($track->does?->moments() ?? [] as $moment) {
                $ending = $track->does?->ending($moment);
                $dues[] = new Due(
                    max(0.0, $moment->at - $track->early),
                    $moment,
                    $timeline->routeId($track, $moment->id),
                    $timeline->routeId($track),
                    $timeline->reached($track, $moment),
                    $ending === null ? null : $timeline->reached($track, $ending),
                    $ending === null ? '' : $timeline->routeId($track, $ending->id),
                );
            }
            array_push($clips, ...($track->does instanceof ClipTrack ? $track->does->timelines() : []));
            if ($track->does instanceof LevelTrack && $track->does->point !== null) {
                $levels[$timeline->routeId($track)] = $track->does;
                if ($track->early !== 0.0) {
                    $early[$timeline->routeId($track)] = $track->early;
                }
            }
        }
        $places = array_keys($dues);
        usort($places, static fn(int $a, int $b): int => $dues[$a]->at <=> $dues[$b]->at ?: $a <=> $b);
        $this->dues = array_map(static fn(int $place): Due => $dues[$place], $places);
        $this->levels = $levels;
        $this->early = $early;
        $this->clips = $clips;
        $sets = [];
        foreach ($this->dues as $due) {
            foreach ($due->moment->do as $action) {
                if ($action instanceof SetAction) {
                    $sets[$due->ownerId][$action->point->text()] = true;
                }
            }
        }
        $this->sets = $sets;
        $this->ends = $timeline->length > 0.0 ? $timeline->length : $ends;
    }

    /** @return int the place of the first moment that is not before a time */
    public function placeAt(float $at): int
    {
        $low = 0;
        $high = \count($this->dues);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->dues[$middle]->at < $at) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * What would have been set by a time, had it been played from its beginning: of each point the last. A look that is on
     * acts when it came on, however often it is said again; of what fades what it fades from is there too.
     *
     * @return list<array{float, Due, SetAction}> when it acted, and by which moment, in the order of time
     */
    public function statesAt(float $at): array
    {
        /** @var array<string, list<array{float, Due, SetAction}>> $states by point */
        $states = [];
        for ($place = 0, $end = $this->placeAt($at); $place < $end; ++$place) {
            $when = $this->dues[$place]->at;
            foreach ($this->dues[$place]->moment->do as $action) {
                $when += $action instanceof WaitAction ? $action->seconds : 0.0;
                if ($action instanceof SetAction && $when < $at) {
                    $point = $action->point->text();
                    $before = $states[$point] ?? [];
                    $acted = self::isOnAlready($before, $action) ? $before[0][0] : $when;
                    $fades = $action->point->kind === 'list' || $action->goesOn();
                    $states[$point] = [...($fades ? \array_slice($before, -self::MOST_FADES) : []), [$acted, $this->dues[$place], $action]];
                }
            }
        }
        $states = array_merge(...array_values($states));
        usort($states, static fn(array $a, array $b): int => $a[0] <=> $b[0]);

        return $states;
    }

    /** @param list<array{float, Due, SetAction}> $before what was set there so far */
    private static function isOnAlready(array $before, SetAction $action): bool
    {
        return $action->point->kind === 'look' && $before !== [] && (float) $before[0][2]->value > 0.0 && (float) $action->value > 0.0;
    }
}
