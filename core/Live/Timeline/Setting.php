<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Timeline\Due;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Score;

/** What timelines do to points: levels as they go on, moments as they come, and after a jump all as it would be by then. */
final readonly class Setting
{
    /** What is given, and seen again what is below when it is let go. */
    private const GIVEN = ['slot', 'fixture', 'group', 'pixels', 'hold', 'look', 'list', 'wave', 'value'];

    /** What runs by itself from the moment on at which it was set. */
    private const RUNS = ['look', 'list'];

    /** What goes out by itself is over by then, however slowly it goes. */
    private const LONG_AGO = 7_200_000_000_000;

    /**
     * @param \Closure(): Runner $runner
     * @param \Closure(Event): void $happened
     * @param \Closure(\Closure(): void): void $quietly does something of which no look and no cue sends messages
     * @param \Closure(string, int): void $claim a look counts as the one that acted last
     * @param \Closure(int): void $finish what goes on by itself is where it is by a time, and universes are as that leaves them
     */
    public function __construct(
        private Points $points,
        private \Closure $runner,
        private \Closure $happened,
        private \Closure $quietly,
        private \Closure $claim,
        private \Closure $finish,
    ) {
    }

    /** Levels are brought to where their lines are; none of them acts anew by that. */
    public function bring(LiveTimeline $live, int $now): void
    {
        foreach ($live->timeline->score->levels as $routeId => $track) {
            $this->bringOne($live, (string) $routeId, $track, true, $now);
        }
    }

    /** A moment has come. */
    public function reach(LiveTimeline $live, Due $due): void
    {
        foreach ($due->moment->do as $action) {
            if ($action instanceof SetAction) {
                $live->set[$due->ownerId][$action->point->text()] = true;
            }
        }
        unset($live->open[$due->routeId]);
        if ($due->ending !== null) {
            $live->open[$due->endingId] = $due->ending;
        }
        ($this->happened)($due->event);
    }

    /** It goes elsewhere, or stands: what has begun ends. */
    public function endOpen(LiveTimeline $live): void
    {
        foreach ($live->open as $event) {
            ($this->happened)($event);
        }
        $live->open = [];
    }

    /**
     * After a jump every point is what it would be, had all been played from the beginning. Messages and presses are not
     * sent again, but by moments that say so.
     *
     * @param float|null $from where it was, if it jumps forwards
     */
    public function chase(LiveTimeline $live, ?float $from, int $now): void
    {
        $score = $live->timeline->score;
        $states = array_values(array_filter($score->statesAt($live->seenAt), fn(array $one): bool => $this->isState($one[2]->point)));
        $stays = $known = [];
        foreach ($states as [, $due, $action]) {
            $stays[$due->ownerId][$action->point->text()] = $known[$action->point->text()] = true;
        }
        foreach ($live->set as $owner => $points) {
            foreach (array_keys($points) as $text) {
                $point = isset($stays[$owner][$text]) ? null : Reference::parse((string) $text);
                // What another track sets too is not switched off in between.
                if ($point !== null && ! (isset($known[$text]) && \in_array($point->kind, [...self::RUNS, 'wave', 'value'], true))) {
                    $this->letGo($point, (string) $owner, \in_array($point->kind, self::RUNS, true) ? $now - self::LONG_AGO : $now);
                }
            }
        }
        $live->set = $stays;
        // What fades begins with what was there by then, and not with what is there now.
        foreach ($states as [, $due, $action]) {
            if ($action->point->kind === 'list' || $action->goesOn()) {
                $this->letGo($action->point, $due->ownerId, $now - self::LONG_AGO);
            }
        }
        $deeds = [];
        // Who acted last has it: levels act where their lines begin.
        foreach ($score->levels as $routeId => $track) {
            $deeds[] = [$track->line->begins(), fn() => $this->bringOne($live, (string) $routeId, $track, false, $now)];
        }
        foreach ($states as [$at, $due, $action]) {
            $deeds[] = [$at, fn() => $this->setAgain($due, $action, $live->pace->nanos($live->seenAt - $at), $now)];
        }
        usort($deeds, static fn(array $one, array $other): int => $one[0] <=> $other[0]);
        foreach ($deeds as [, $deed]) {
            $deed();
        }
        ($this->finish)($now);
        for ($place = $from === null ? \PHP_INT_MAX : $score->placeAt($from); $place < $live->next; ++$place) {
            if ($score->dues[$place]->moment->isPassing) {
                ($this->happened)($score->dues[$place]->event);
            }
        }
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
        $live->given = $live->set = [];
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

    /** Whether it is something that stays: what is pressed, or moves time itself, is not done again. */
    private function isState(Reference $point): bool
    {
        return ! \in_array($point->kind, ['timeline', 'timecode'], true) && $this->points->describe($point)?->kind !== PointKind::Press;
    }

    /** @param bool $goesOn whether it goes on, or acts anew */
    private function bringOne(LiveTimeline $live, string $routeId, LevelTrack $track, bool $goesOn, int $now): void
    {
        $value = $track->line->at($live->seenAt + ($live->timeline->score->early[$routeId] ?? 0.0));
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
        $act = new Act("route {$routeId}", "Timeline \"{$live->timeline->name}\"", $live->timeline->priority, goesOn: $goesOn && $before !== null);
        $this->points->set($track->point, $value, $act, $now);
    }

    /** @param int $ago nanoseconds since it was set */
    private function setAgain(Due $due, SetAction $action, int $ago, int $now): void
    {
        $goesOn = $action->goesOn() || \in_array($action->point->kind, self::RUNS, true);
        if ($goesOn) {
            ($this->finish)($now - $ago);
        }
        ($this->quietly)(fn() => ($this->runner)()->setAgain($due->routeId, $action, $due->event, $goesOn ? $now - $ago : $now));
        if ($action->point->kind === 'look') {
            ($this->claim)($action->point->id, $now);
        }
    }

    private function letGo(Reference $point, string $routeId, int $now): void
    {
        ($this->runner)()->courses->forget("route {$routeId}", $point);
        if (\in_array($point->kind, self::GIVEN, true) && $this->isState($point)) {
            foreach ($this->points->members($point) as $member) {
                $this->points->letGo($member, "route {$routeId}", $now);
            }
        }
    }
}
