<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

/** A timeline goes where time code says. */
final readonly class Following
{
    /** It is there already: both times are rounded to nanoseconds. */
    private const SAME = 2e-9;

    public function __construct(private Timelines $timelines)
    {
    }

    /**
     * @param float|null $at in seconds of the timeline; null before its beginning
     * @param bool $isRunning whether the time code runs, or stands there
     * @param float $slip seconds that it may be away without a jump
     */
    public function follow(LiveTimeline $live, ?float $at, bool $isRunning, float $slip, int $now): void
    {
        $id = $live->timeline->id;
        if ($at === null) {
            if ($live->isOn) {
                $this->timelines->stop($id, $now);
            }

            return;
        }
        $isOver = $at >= $live->timeline->score->ends && ! $live->loops();
        $difference = abs($at - $live->pace->at($now));
        $isElsewhere = $difference > ($live->isPlaying && $isRunning ? $slip : self::SAME);
        if (($live->isOn && $isElsewhere) || (! $live->isOn && ! $isOver)) {
            $this->timelines->jump($id, $at, $now);
        } elseif ($isRunning && $live->isPlaying) {
            $this->timelines->correct($live, $at, $now);
        }
        $runs = $isRunning && ! $isOver;
        if ($live->isOn && $live->isPlaying !== $runs) {
            $runs ? $this->timelines->play($id, $now) : $this->timelines->pause($id, $now);
        }
    }
}
