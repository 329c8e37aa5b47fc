<?php

declare(strict_types=1);

namespace App\Timelines;

use App\Shows\Draft;
use NimbleJunction\Core\Furnishing\LevelLines;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Timeline\Timeline;

/** A level as a hand drew it. */
final class DrawLine extends TimelineDeed
{
    /** @param list<array{float, float}> $samples time and value */
    public function __construct(
        string $id,
        private readonly string $track,
        private readonly array $samples,
        private readonly float $tolerance,
    ) {
        parent::__construct($id);
    }

    public function summary(): string
    {
        return "draw a level of timeline \"{$this->id}\"";
    }

    protected function change(array $part, Timeline $timeline, Show $show, Draft $draft): array
    {
        $track = self::track($timeline, $this->track);
        $knots = (new LevelLines($show, $timeline))->drawn($track, $this->samples, $this->tolerance);
        $this->says = ['after' => \count($knots)];

        return self::withLines($part, [$track->id => $knots]);
    }
}
