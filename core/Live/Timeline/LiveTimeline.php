<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Timeline\Marker;
use NimbleJunction\Core\Timeline\Pace;
use NimbleJunction\Core\Timeline\Timeline;

/** A timeline at work: where it is, and whether it plays. */
final class LiveTimeline
{
    /** Whether it gives something: it plays, or stands somewhere and has not been stopped. */
    public bool $isOn = false;
    public bool $isPlaying = false;
    public float $rate = 1.0;

    /** Whether it begins again at its end, as somebody has said since; null as the show says. */
    public ?bool $loops = null;

    /** The place, among its moments, of the one that comes next. */
    public int $next = 0;

    /** Where it was when it was looked at last. */
    public float $seenAt = 0.0;

    /** @var array<string, float> what its levels give, by the route that owns it */
    public array $given = [];

    /** @var array<string, true> points whose levels are left to somebody else, as long as they are recorded */
    public array $silent = [];

    /** @var array<string, array<string, true>> points that its moments have set, by the route that owns them */
    public array $set = [];

    public function __construct(public Timeline $timeline, public Pace $pace)
    {
    }

    public function loops(): bool
    {
        return ($this->loops ?? $this->timeline->loop) && $this->timeline->score->ends > 0.0;
    }

    public function run(bool $isPlaying, int $now): void
    {
        $this->isPlaying = $isPlaying;
        $this->pace->run($isPlaying ? $this->rate : 0.0, $now);
    }

    public function place(float $at, int $now): void
    {
        $this->pace->place($at, $now);
        $this->seenAt = $at;
        $this->next = $this->timeline->score->placeAt($at);
    }

    /** @return string name of the section that a place is in; '' for none */
    public function section(): string
    {
        $name = '';
        foreach ($this->markers() as $marker) {
            if ($marker->at > $this->seenAt) {
                break;
            }
            $name = $marker->isSection ? $marker->name : $name;
        }

        return $name;
    }

    /** @return list<Marker> in the order of time */
    public function markers(): array
    {
        $markers = $this->timeline->markers;
        usort($markers, static fn(Marker $a, Marker $b): int => $a->at <=> $b->at);

        return $markers;
    }
}
