<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Route\Occurred;
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

    /** @var array{float, float}|null the part that goes round and round, from and to; null for none */
    public ?array $round = null;

    /** The place, among its moments, of the one that comes next. */
    public int $next = 0;

    /** Where it was when it was looked at last. */
    public float $seenAt = 0.0;

    /** @var array<string, float> what its levels give, by the route that owns it */
    public array $given = [];

    /** @var array<string, Occurred> what ends what has begun and did not end yet, by the route that does it */
    public array $open = [];

    /** @var array<string, true> timelines that are clips of it, and are there now, by their ids */
    public array $nested = [];

    /** @var array<string, true> points whose levels are left to somebody else, as long as they are recorded */
    public array $silent = [];

    /**
     * @var array<string, array<string, float>> when its moments have set points, in its unit, by the route that owns them and
     * by point
     */
    public array $set = [];

    /**
     * @var array<string, int|float|string|null> what nobody gives, and stays as it was set, as it was before this set it; by
     * point
     */
    public array $before = [];

    public function __construct(public Timeline $timeline, public Pace $pace)
    {
    }

    public function loops(): bool
    {
        return ($this->loops ?? $this->timeline->loop) && $this->timeline->score->ends > 0.0;
    }

    /** Where it goes back to the beginning of what goes round, or ends. */
    public function turnsAt(): float
    {
        return $this->goesRound() ? $this->round[1] ?? $this->timeline->score->ends : $this->timeline->score->ends;
    }

    /** Where it begins again. */
    public function turnsTo(): float
    {
        return $this->goesRound() ? $this->round[0] ?? 0.0 : 0.0;
    }

    /** Whether it is in the part that goes round, or before it; behind that it goes on to its end. */
    public function goesRound(): bool
    {
        return $this->round !== null && $this->seenAt < $this->round[1];
    }

    /** Whether it begins again where it turns. */
    public function turns(): bool
    {
        return $this->goesRound() || $this->loops();
    }

    /** @return float the place where it is, had it come so far without turning */
    public function wrapped(float $at): float
    {
        $to = $this->turnsAt();
        $long = $to - $this->turnsTo();

        return match (true) {
            $at < $to => $at,
            $this->turns() && $long > 0.0 => $this->turnsTo() + fmod($at - $to, $long),
            default => $this->timeline->score->ends,
        };
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

    /** @return string name of the section that it is in; '' for none */
    public function section(): string
    {
        return $this->sectionAt()->name ?? '';
    }

    /** @return array{float, float}|null the section that it is in, from and to */
    public function bounds(): ?array
    {
        $section = $this->sectionAt();
        if ($section === null) {
            return null;
        }
        $behind = array_filter($this->markers(), static fn(Marker $one): bool => $one->isSection && $one->at > $section->at);
        $to = $behind === [] ? $this->timeline->score->ends : array_values($behind)[0]->at;

        return $to > $section->at ? [$section->at, $to] : null;
    }

    private function sectionAt(): ?Marker
    {
        $found = null;
        foreach ($this->markers() as $marker) {
            $found = $marker->isSection && $marker->at <= $this->seenAt ? $marker : $found;
        }

        return $found;
    }

    /** @return list<Marker> in the order of time */
    public function markers(): array
    {
        $markers = $this->timeline->markers;
        usort($markers, static fn(Marker $a, Marker $b): int => $a->at <=> $b->at);

        return $markers;
    }
}
