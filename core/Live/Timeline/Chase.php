<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Timeline\Done;
use NimbleJunction\Core\Timeline\Past;

/**
 * After a jump every point is what it would be, had all been played from the beginning. Messages are not sent again, but
 * by moments that say so.
 */
final readonly class Chase
{
    /** What runs by itself from the moment on at which it was set. */
    private const RUNS = ['look', 'list'];

    /** What goes out by itself is over by then, however slowly it goes. */
    private const LONG_AGO = 7_200_000_000_000;

    /**
     * @param \Closure(\Closure(): void): void $quietly does something of which no look and no cue sends messages
     * @param \Closure(string, int): void $claim a look counts as the one that acted last
     * @param \Closure(int): void $finish what goes on by itself is where it is by a time, and universes are as that leaves them
     */
    public function __construct(
        private Setting $setting,
        private \Closure $quietly,
        private \Closure $claim,
        private \Closure $finish,
    ) {
    }

    /** @param float|null $from where it was, if it jumps forwards */
    public function chase(LiveTimeline $live, ?float $from, int $now): void
    {
        $score = $live->timeline->score;
        $past = Past::of($score, $live->seenAt, $this->setting->states->stays(...));
        $this->leave($live, $past, $now);
        $deeds = [];
        // Who acted last has it: levels act where their lines begin; those that are still to begin go first.
        foreach ($score->levels as $routeId => $track) {
            $begins = $track->line->begins() - ($score->early[$routeId] ?? 0.0);
            $isOnTheWay = $begins <= $live->seenAt && $track->point !== null && Past::isLevel($track->point);
            $at = $isOnTheWay ? max(0.0, $begins) : $live->seenAt;
            $deeds[] = [
                $begins > $live->seenAt ? -\INF : $at,
                fn() => $this->setting->bringOne($live, (string) $routeId, $track, $at, false, $now),
            ];
        }
        $known = [];
        foreach ($past as $done) {
            $look = Done::subject($done->action->point)->text();
            $deeds[] = [$done->at, fn(int $at) => $this->again($live, $done, $at, $now, ! isset($known[$look]))];
            $known[$look] = true;
        }
        usort($deeds, static fn(array $one, array $other): int => $one[0] <=> $other[0]);
        foreach ($deeds as [$place, $deed]) {
            $at = $now - $live->pace->nanos(max(0.0, $place), $live->seenAt);
            // What goes by itself until then comes before it.
            ($this->finish)($at);
            $deed($at);
        }
        $this->setting->bring($live, $now);
        ($this->finish)($now);
        for ($place = $from === null ? \PHP_INT_MAX : $score->placeAt($from); $place < $live->next; ++$place) {
            if ($score->dues[$place]->moment->isPassing) {
                ($this->setting->happened)($score->dues[$place]->event);
            }
        }
    }

    /**
     * What it has set, and would not have set by then, goes; and so does all that has to begin at its beginning.
     *
     * @param list<Done> $past
     */
    private function leave(LiveTimeline $live, array $past, int $now): void
    {
        $stays = $known = $begun = [];
        foreach ($past as $done) {
            $subject = Done::subject($done->action->point)->text();
            $stays[$done->due->ownerId][$subject] = $known[$subject] = $done->at;
        }
        foreach ($live->set as $owner => $points) {
            foreach (array_keys($points) as $text) {
                $point = isset($stays[$owner][$text]) ? null : Reference::parse((string) $text);
                // What another track sets too is not switched off in between.
                if (
                    $point !== null
                    && ! (isset($known[$text]) && \in_array($point->kind, [...self::RUNS, 'wave', 'value'], true))
                ) {
                    $this->setting->undo(
                        $live,
                        $point,
                        (string) $owner,
                        \in_array($point->kind, self::RUNS, true) ? $now - self::LONG_AGO : $now,
                    );
                }
            }
        }
        $before = $live->set;
        $live->set = $stays;
        foreach ($past as $done) {
            $point = Done::subject($done->action->point);
            $this->setting->remember($live, $done->action);
            $isFirst = ! isset($begun[$point->text()]);
            $begun[$point->text()] = true;
            $fades = $done->action instanceof SetAction && $done->action->goesOn();
            $isPressed = $isFirst && ! $done->isAbsolute();
            // A look that is on since another moment begins anew.
            $isAnew = $point->kind === 'look'
                && ($isPressed || ($before[$done->due->ownerId][$point->text()] ?? null) !== $done->at);
            // What fades begins with what was there by then, and not with what is there now; so does what is pressed.
            if ($fades || $isAnew || $point->kind === 'list') {
                $this->setting->letGo($point, $done->due->ownerId, $now - self::LONG_AGO);
            } elseif ($isPressed) {
                $this->setting->undo($live, $point, $done->due->ownerId, $now);
            }
        }
    }

    /** @param bool $isFirst whether it is the first of all that is done to it */
    private function again(LiveTimeline $live, Done $done, int $at, int $now, bool $isFirst): void
    {
        if ($done->goesOn() && $done->at > $live->seenAt - Past::RECENT) {
            // It begins with what lines gave by then.
            $this->setting->bringTo($live, $done->at, $now);
            ($this->finish)($at);
        }
        $point = $done->action->point;
        $done->action instanceof PressAction
            ? $this->press($done, $done->goesOn() ? $at : $now)
            : $this->act($done, $done->action, $done->goesOn() ? $at : $now);
        if ($point->kind === 'look' && $isFirst) {
            ($this->claim)($point->id, $now);
        }
    }

    /** It is set as pressing would: whoever waits for the press itself has had it. */
    private function press(Done $done, int $at): void
    {
        $point = $done->action->point;
        $button = match (true) {
            $point->kind === 'list' => Reference::parse("list:{$point->id}/".($point->part ?: 'go')),
            $point->kind === 'look' && $point->part === '' => Reference::parse("look:{$point->id}/pressed"),
            default => null,
        };
        $isOn = $button === null && (float) $this->setting->points->read($point) > 0.0;
        $this->set($done, $button ?? $point, $isOn ? 0 : 1, $at);
    }

    private function set(Done $done, Reference $point, int $value, int $at): void
    {
        $this->act($done, new SetAction($point, $value), $at);
    }

    private function act(Done $done, SetAction $action, int $at): void
    {
        ($this->quietly)(fn() => ($this->setting->runner)()->setAgain($done->due->routeId, $action, $done->due->event, $at));
    }
}
