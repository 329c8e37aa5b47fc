<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Timeline\Done;
use NimbleJunction\Core\Timeline\Due;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Past;
use NimbleJunction\Core\Timeline\Score;

/** What timelines do to points: levels as they go on, moments as they come, and what goes when they are left. */
final readonly class Setting
{
    /** What is given, and seen again what is below when it is let go. */
    private const GIVEN = ['slot', 'fixture', 'group', 'pixels', 'hold', 'look', 'list', 'wave', 'value'];

    public States $states;

    /**
     * @param \Closure(): Runner $runner
     * @param \Closure(Event): void $happened
     */
    public function __construct(public Points $points, public \Closure $runner, public \Closure $happened)
    {
        $this->states = new States($points);
    }

    /** Levels are brought to where their lines are; none of them acts anew by that. */
    public function bring(LiveTimeline $live, int $now): void
    {
        foreach ($live->timeline->score->levels as $routeId => $track) {
            $this->bringOne($live, (string) $routeId, $track, $live->seenAt, true, $now);
        }
    }

    /**
     * On the way to where they are to be levels of universes are where they were at a place; nothing else is told of it.
     *
     * @param float $at in the timeline's unit
     */
    public function bringTo(LiveTimeline $live, float $at, int $now): void
    {
        foreach ($live->timeline->score->levels as $routeId => $track) {
            if ($track->point !== null && Past::isLevel($track->point)) {
                $this->bringOne($live, (string) $routeId, $track, $at, true, $now);
            }
        }
    }

    /** A moment has come. */
    public function reach(LiveTimeline $live, Due $due): void
    {
        foreach ($due->moment->do as $action) {
            if (Past::moves($action) && $this->states->stays($action)) {
                $this->remember($live, $action);
                $this->note($live, $due, Done::subject($action->point));
            }
        }
        unset($live->open[$due->routeId]);
        if ($due->ending !== null) {
            $live->open[$due->endingId] = $due->ending;
        }
        ($this->happened)($due->event);
    }

    /** A look that is on is on since it came on. */
    private function note(LiveTimeline $live, Due $due, Reference $point): void
    {
        $isOn = $point->kind === 'look' && (float) $this->points->read($point) > 0.0;
        $live->set[$due->ownerId][$point->text()] = $isOn ? $live->set[$due->ownerId][$point->text()] ?? $due->at : $due->at;
    }

    /** What nobody gives has no way back but to what it was. */
    public function remember(LiveTimeline $live, SetAction|PressAction $action): void
    {
        $point = Done::subject($action->point);
        if (! \in_array($point->kind, self::GIVEN, true) && ! \array_key_exists($point->text(), $live->before)) {
            $live->before[$point->text()] = $this->points->read($point);
        }
    }

    /** It goes elsewhere, or stands: what has begun ends. */
    public function endOpen(LiveTimeline $live): void
    {
        foreach ($live->open as $event) {
            ($this->happened)($event);
        }
        $live->open = [];
    }

    /** By an edit tracks are gone, are muted, or move another point: what they gave goes. */
    public function leave(LiveTimeline $live, Score $next, int $now): void
    {
        foreach (array_keys($live->given) as $routeId) {
            $point = ($live->timeline->score->levels[$routeId] ?? null)?->point;
            if ($point !== null && ($next->levels[$routeId] ?? null)?->point?->text() !== $point->text()) {
                $this->letGo($point, (string) $routeId, $now);
                unset($live->given[$routeId]);
            }
        }
        foreach (array_diff_key($live->set, $next->sets) as $owner => $points) {
            $this->letGoAll((string) $owner, array_keys($points), $now);
            unset($live->set[$owner]);
        }
    }

    /** All that it gives goes. */
    public function release(LiveTimeline $live, int $now): void
    {
        foreach (array_keys($live->given) as $routeId) {
            $point = ($live->timeline->score->levels[$routeId] ?? null)?->point;
            if ($point !== null) {
                $this->letGo($point, (string) $routeId, $now);
            }
        }
        foreach ($live->set as $owner => $points) {
            $this->letGoAll((string) $owner, array_keys($points), $now);
        }
        $live->given = $live->set = $live->before = [];
    }

    /**
     * Values of the show's own stay as they are.
     *
     * @param list<string> $points
     */
    private function letGoAll(string $owner, array $points, int $now): void
    {
        foreach ($points as $text) {
            $point = Reference::parse((string) $text);
            if ($point !== null && $point->kind !== 'value') {
                $this->letGo($point, $owner, $now);
            }
        }
    }

    /**
     * @param float $at the place where it is to be, in the timeline's unit
     * @param bool $goesOn whether it goes on, or acts anew
     */
    public function bringOne(LiveTimeline $live, string $routeId, LevelTrack $track, float $at, bool $goesOn, int $now): void
    {
        $value = $track->line->at($at + ($live->timeline->score->early[$routeId] ?? 0.0));
        $before = $live->given[$routeId] ?? null;
        $isSilent = $track->point !== null && isset($live->silent[$track->point->text()]);
        if ($track->point === null || $isSilent || ($value === $before && ($goesOn || $value === null))) {
            return;
        }
        if ($value === null) {
            $this->letGo($track->point, $routeId, $now);
            unset($live->given[$routeId]);

            return;
        }
        $live->given[$routeId] = $value;
        $act = new Act(
            "route {$routeId}",
            "Timeline \"{$live->timeline->name}\"",
            $live->timeline->priority,
            goesOn: $goesOn && $before !== null,
        );
        $this->points->set($track->point, $value, $act, $now);
    }

    /** It is as if it had not been set: what is given goes, all else is what it was. */
    public function undo(LiveTimeline $live, Reference $point, string $routeId, int $now): void
    {
        $before = $live->before[$point->text()] ?? null;
        if ($before === null) {
            $this->letGo($point, $routeId, $now);
        } else {
            $this->points->set($point, $before, new Act("route {$routeId}", "Timeline \"{$live->timeline->name}\""), $now);
        }
    }

    /** What somebody gives goes; what is only pressed, or moves time itself, is left as it is. */
    public function letGo(Reference $point, string $routeId, int $now): void
    {
        ($this->runner)()->courses->forget("route {$routeId}", $point);
        if (\in_array($point->kind, self::GIVEN, true) && $this->states->isSet($point)) {
            foreach ($this->points->members($point) as $member) {
                $this->points->letGo($member, "route {$routeId}", $now);
            }
        }
    }
}
