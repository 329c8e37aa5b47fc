<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use NimbleJunction\Core\Furnishing\LevelLines;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Timeline;

/** A line of many points is told by fewer, none of it farther away than a tolerance. */
final class ThinTrack extends TimelineDeed
{
    public function __construct(string $id, private readonly string $track, private readonly float $tolerance)
    {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "tell a level of timeline \"{$this->id}\" by fewer points";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        $track = self::track($timeline, $this->track);
        [$knots, $off] = LevelLines::thinned($track, $this->tolerance);
        $this->says = [
            'before' => $track->does instanceof LevelTrack ? \count($track->does->knots) : 0,
            'after' => \count($knots),
            'off' => round($off, 5),
        ];

        return self::withLines($part, [$track->id => $knots]);
    }
}
