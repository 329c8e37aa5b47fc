<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Timeline\Kind\ClipTrack;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;

/** A timeline as it is played: all moments of the tracks that count in their order, and all levels. */
final readonly class Score
{
    /** @var list<Due> in the order of time; at one moment in the order of tracks */
    public array $dues;

    /** @var array<string, LevelTrack> by the id of the route that owns what it gives */
    public array $levels;

    /** @var list<Clip> other timelines that are there for a while */
    public array $clips;

    /** @var array<string, float> how much earlier each of these comes, where it does */
    public array $early;

    /** @var array<string, array<string, true>> points that its moments set or press, by the route that owns them */
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
                if (Past::moves($action)) {
                    $sets[$due->ownerId][Done::subject($action->point)->text()] = true;
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
}
