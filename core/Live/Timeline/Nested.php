<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

/** Timelines that are clips of another one: each is where that says, and stops where its clip ends. */
final readonly class Nested
{
    /** So far, in their unit, they may be away before they jump. */
    private const SLIP = 0.25;

    private Following $following;

    public function __construct(private Timelines $timelines)
    {
        $this->following = new Following($timelines);
    }

    public function goAlong(LiveTimeline $live, int $now): void
    {
        $meant = [];
        foreach ($live->timeline->score->clips as $clip) {
            $child = $this->timelines->of($clip->plays->id ?? '');
            if ($child === null || ! $live->isOn || $live->seenAt < $clip->at || $live->seenAt >= $clip->ends()) {
                continue;
            }
            $id = $child->timeline->id;
            $meant[$id] = true;
            $live->nested[$id] = true;
            $ends = $child->timeline->score->ends;
            $at = $clip->from + $live->pace->at($now) - $clip->at;
            if ($child->rate !== $live->rate) {
                $this->timelines->setRate($id, $live->rate, $now);
            }
            $this->following->follow(
                $child,
                $clip->loops && $ends > 0.0 ? fmod($at, $ends) : $at,
                $live->isPlaying,
                self::SLIP,
                $now,
            );
        }
        foreach (array_keys(array_diff_key($live->nested, $meant)) as $id) {
            $this->timelines->stop((string) $id, $now);
            unset($live->nested[$id]);
        }
    }
}
