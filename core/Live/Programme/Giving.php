<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Programme\Lane;
use NimbleJunction\Core\Programme\Lanes;
use NimbleJunction\Core\Programme\Playback;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\Programme\Target;
use NimbleJunction\Core\Programme\Wave\Waved;

/** Brings what looks and lists give into the universes of the plan in force. */
final class Giving
{
    /** As often as a universe may leave: ANSI E1.11 (DMX512-A), 44 frames a second of 512 slots (from memory). */
    public const FRAME_NANOS = 22_727_272;

    /** Looks may recall each other: so deep, and no deeper. Our own limit. */
    private const DEEPEST = 16;

    private Lanes $lanes;
    private int $depth = 0;

    /** @param \Closure(): Changes $changes */
    public function __construct(
        private readonly Universes $universes,
        private readonly \Closure $changes,
        private readonly Points $points,
    ) {
        $this->lanes = new Lanes();
    }

    public function adopt(Plan $plan): void
    {
        $this->lanes = $plan->lanes;
    }

    public function lanes(): Lanes
    {
        return $this->lanes;
    }

    /**
     * @param list<PointValue> $values
     *
     * @return array<string, Target> by key of the lane
     */
    public function targets(array $values): array
    {
        return $this->lanes->targets($values);
    }

    /**
     * What a wave moves: lanes with their places in the whole, and other points.
     *
     * @param list<Waved> $on
     *
     * @return array{list<Lane>, list<int>, array<string, int>, int} lanes, their places, places of other points, and how many there are
     */
    public function waved(array $on): array
    {
        $lanes = $places = $points = [];
        $place = 0;
        foreach ($on as $one) {
            if (! \in_array($one->point->kind, ['slot', 'fixture', 'group'], true)) {
                $points[$one->point->text()] = $place++;

                continue;
            }
            foreach ($this->lanes->named($one->point) as $lane) {
                $lanes[] = $lane;
                $places[] = $place++;
            }
        }

        return [$lanes, $places, $points, $place];
    }

    /**
     * What a playback gives stays, wherever that lies now: its cue is no more.
     *
     * @return array<string, Target> by key of the lane
     */
    public function asItStands(Playback $playback): array
    {
        $targets = [];
        foreach ($playback->keys(true) as $key) {
            $lane = $this->lanes->lane($key);
            $aim = $playback->aimOf($key);
            if ($lane !== null && $aim !== null) {
                $targets[$key] = new Target($lane, min($lane->highest, $aim));
            }
        }

        return $targets;
    }

    /** @return \Closure(string): string what is asked for now in a universe, 512 bytes */
    public function merged(): \Closure
    {
        return fn(string $universe): string => $this->universes->find($universe)?->merged() ?? Bytes::$none;
    }

    /**
     * What is no level of a fixture is set at once.
     *
     * @param list<PointValue> $values
     */
    public function setOthers(array $values, Act $act, int $now): void
    {
        if ($this->depth >= self::DEEPEST) {
            return;
        }
        ++$this->depth;
        foreach ($values as $one) {
            if (! $one->isGiven()) {
                $this->points->set($one->point, $one->value, $act, $now);
            }
        }
        --$this->depth;
    }

    /**
     * Of what looks, lists and waves gave before a restart ends what none of them gives now.
     *
     * @param array<string, array<string, mixed>> $given by owner and universe
     */
    public function endOthers(Programme $programme, array $given): void
    {
        foreach ($this->universes->all() as $id => $universe) {
            foreach ($universe->layers()->all() as $layer) {
                foreach (array_keys($layer->all()) as $owner) {
                    if ($programme->owns((string) $owner) && ! isset($given[$owner][$id])) {
                        $universe->layers()->end((string) $owner);
                        ($this->changes)()->touch($universe);
                    }
                }
            }
        }
    }

    /** What a playback gives now is given; what it gives no more ends. */
    public function lay(Playback $playback, int $now): void
    {
        $playback->passes($this->merged(), $now);
        $at = $playback->clock->at($now);
        foreach ($playback->strips() as $id => $strip) {
            $universe = $this->universes->find((string) $id);
            if ($universe === null) {
                continue;
            }
            $levels = $strip->levels($at, $strip->needsBelow() ? $universe->without($playback->owner) : '');
            if (! $strip->takeOtherwise()) {
                continue;
            }
            if ($strip->isEmpty()) {
                $universe->layers()->end($playback->owner);
            } else {
                $universe->layers()
                    ->give($playback->owner, $playback->name(), $levels, $strip->mask, $playback->priority(), false, false);
            }
            ($this->changes)()->touch($universe);
        }
        foreach ($playback->claimed() as $id => $mask) {
            $universe = $this->universes->find((string) $id);
            if ($universe !== null) {
                $universe->layers()->claim($playback->owner, $mask);
                ($this->changes)()->touch($universe);
            }
        }
        $playback->tidy();
    }
}
