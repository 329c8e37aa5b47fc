<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Listener;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Named;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Sequence;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger\FiredTrigger;
use NimbleJunction\Core\Route\Trigger\PressedTrigger;
use NimbleJunction\Core\Route\Trigger\TimeTrigger;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\BytesHeard;
use NimbleJunction\Core\Trace\Decoded;
use NimbleJunction\Core\Trace\Event as TraceEvent;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\MessageAt;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step as Hop;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Trace\Untaken;

/**
 * Runs routes: every event finds its triggers by the index, what comes of it waits in
 * order, and belongs to the turn that began it. Depth and work of a turn are bounded:
 * routes that call each other in a circle are cut, and said so.
 */
final class Runner
{
    private Plan $plan;

    /** @var list<Cause> events that this turn still has to deal with */
    private array $waiting = [];

    private readonly TurnWork $work;

    /** How deep in a chain of routes it is what happens now, and the record that tells of its root. */
    private int $depth = 0;
    private ?TraceEvent $root = null;

    /** Whether what happens now was begun by what routes do later: it is no more than so often a second. */
    private bool $isGoingOn = false;

    /** Whether any route has acted on what was offered last. */
    private bool $hasActed = false;
    public readonly Misses $misses;
    private readonly Chronicle $chronicle;

    public function __construct(
        private readonly Trace $trace,
        private readonly Points $points,
        private readonly Changes $changes,
        private readonly Universes $universes,
        public readonly Sending $sending,
        private readonly Firings $firings,
        private readonly Switches $switches,
        private readonly Passages $passages,
        public readonly Courses $courses,
        public readonly Showings $showings,
    ) {
        $this->plan = Plan::empty();
        $this->work = new TurnWork();
        $this->misses = new Misses();
        $this->chronicle = new Chronicle($trace);
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $this->sending->adopt($plan);
        $this->passages->adopt($plan->index->routes);
        $this->courses->keep($plan->index->routes);
        $this->misses->keep($plan->index->routes);
        $this->showings->adopt($plan);
    }

    /**
     * A message has come in: the routes that wait for it act at once, in their order.
     *
     * @param bool $isShown it says what another end shows: it is known, where no route acts on it too
     */
    public function heard(string $portId, Message $message, string $from, string $bytes, int $now, bool $isShown = false): void
    {
        $event = new Heard($portId, $message, $from);
        $record = $this->trace->begin(
            Kind::Message,
            "message {$portId} {$message->address()}",
            $portId,
            new MessageAt($portId, $message),
            $now,
        );
        $this->trace->hop($record, Hop::Heard, new BytesHeard($portId, \strlen($bytes), $from), $bytes, null, $from);
        $this->trace->hop($record, Hop::Decoded, new Decoded($message));
        $this->sending->heard($portId, $message, $bytes, $now);
        $isOurOwn = $this->sending->echoes->isOurs($bytes, $now);
        $cause = new Cause($event, 0, $record, $isOurOwn);
        if (! $this->offer($cause, $now)) {
            $this->trace->hop($record, Hop::Unmatched, new Untaken($portId, $message));
        }
        if ($this->hasActed || $isShown) {
            $this->misses->answered($portId, $message);
        } else {
            $this->misses->nothing($portId, $message, $from, $now);
        }
    }

    /**
     * Something else has happened; it is dealt with in this turn.
     *
     * @param bool $isOurOwn it may be what routes have done in the turn before
     */
    public function happened(Event $event, bool $isOurOwn = false): void
    {
        if ($event instanceof PointChanged) {
            $this->showings->changed($event->reference);
        }
        if ($this->plan->index->of($event) !== []) {
            $this->waiting[] = new Cause($event, $this->depth, $this->root, $isOurOwn || $this->isGoingOn);
        }
    }

    /** A point has been pressed, by whomever. */
    public function pressed(Reference $point): void
    {
        $what = PressedTrigger::what($point);
        if ($this->depth <= TurnWork::DEEPEST && $this->plan->index->waitsFor($what)) {
            $this->happened(new Occurred($what, ['point' => $point->text()]));
        }
    }

    /** When the junction must be woken for what waits here. */
    public function dueAt(): int
    {
        return $this->waiting === [] && $this->sending->isEmpty()
            ? min($this->passages->dueAt, $this->passages->clock->dueAt, $this->courses->dueAt, $this->showings->dueAt)
            : 0;
    }

    /** What was to go on later and is due now goes on; a minute of the day may have begun. */
    public function goOn(int $now): void
    {
        $this->courses->goOn($now);
        $minute = $this->passages->clock->begun($now);
        if ($minute !== '') {
            $this->happened(new Occurred(TimeTrigger::WHAT.$minute, ['time' => $minute]));
        }
        foreach ($this->passages->due($now) as $later) {
            $route = $this->plan->index->routes[$later->route->id] ?? null;
            if ($route === null || ! $this->switches->isOn($route->id, $route->enabled)) {
                continue;
            }
            $passing = $this->passages->passing($route, $later->event, $later->source, $now);
            $value = $later->value ?? $this->passages->wake($route, $later->step, $passing);
            if ($value !== null) {
                $this->isGoingOn = true;
                $record = $this->chronicle->later($route, $value, $now);
                $this->act($route, $value, $later->step + 1, $passing, 0, $record, $later->place);
            }
        }
    }

    /** @return bool whether anything waited */
    public function drain(int $now): bool
    {
        if ($this->waiting === []) {
            return false;
        }
        while ($this->waiting !== []) {
            $this->offer(array_shift($this->waiting), $now);
        }

        return true;
    }

    /** What waits of a route is forgotten. */
    public function stop(string $routeId): void
    {
        $this->passages->stop($routeId);
        $this->courses->stop("route {$routeId}");
    }

    /** A person or another route presses a route: it acts as if its trigger had come with this value. */
    public function run(string $routeId, float $value, int $depth, ?TraceEvent $record, int $now): bool
    {
        $route = $this->plan->index->routes[$routeId] ?? null;
        if ($route === null) {
            return false;
        }
        $record ??= $this->chronicle->pressed($route, $now);
        $passing = $this->passages->passing($route, new Occurred('pressed'), 0, $now);
        if (! $this->isGoingOn || $this->maySetItselfOff($route, $record, $now)) {
            $this->act($route, $value, 0, $passing, $depth, $record);
        }

        return true;
    }

    /**
     * What a route set a while ago is set again, as it stands by now: it belongs to this turn.
     *
     * @param int $at when it is set, on the junction's clock: what runs by itself from then on is as far as it would be
     */
    public function setAgain(string $routeId, SetAction $action, Event $event, int $at): void
    {
        $route = $this->plan->index->routes[$routeId] ?? null;
        if ($route === null || ! $this->switches->isOn($route->id, $route->enabled)) {
            return;
        }
        $record = $this->chronicle->later($route, 1.0, $at);
        $passing = $this->passages->passing($route, $event, 0, $at);
        $this->changes->lookSoon();
        $action->perform(1.0, $event, $this->turnOf($route, 0, $record, $passing));
    }

    private function turnOf(Route $route, int $depth, TraceEvent $record, Passing $passing): RouteTurn
    {
        return new RouteTurn(
            $this,
            $route,
            $depth,
            $record,
            $passing,
            $this->trace,
            $this->points,
            $this->changes,
            $this->universes,
            $this->courses,
        );
    }

    /** A person tries a route with a value of their choice, as if its first trigger had come with it: conditions are left out. */
    public function tried(Route $route, float $value, string $by, int $now): void
    {
        $record = $this->chronicle->tried($route, $value, $by, $now);
        $event = ($route->triggers[0] ?? null)?->sample() ?? new Occurred('tried');
        $this->act($route, $value, 0, $this->passages->passing($route, $event, 0, $now), 0, $record);
    }

    public function desk(string $id): ?Desk
    {
        return $this->plan->desks[$id] ?? null;
    }

    /** @return list<OutgoingPacket> what actions have sent since this was last asked; a turn ends with it */
    public function take(int $now): array
    {
        $this->showings->tell($this->switches, $now);
        $this->work->begin();
        $this->depth = 0;
        $this->root = null;
        $this->isGoingOn = false;

        return $this->sending->take();
    }

    /** @return bool whether any trigger takes it, or nearly does */
    private function offer(Cause $cause, int $now): bool
    {
        $isLookedAt = false;
        $this->hasActed = false;
        $this->depth = $cause->depth + 1;
        $this->root = $cause->record;
        foreach ($this->plan->index->of($cause->event) as $listener) {
            $taken = $listener->trigger->take($cause->event);
            if ($taken === null) {
                continue;
            }
            $isLookedAt = true;
            $isItsControl = $listener->route->back !== null && $listener->trigger === $listener->route->triggers[0];
            if (
                $isItsControl
                && $cause->event instanceof Heard
                && $this->showings->isEcho($listener->route, $cause->event->message, $now)
            ) {
                $this->hasActed = true;
                $this->chronicle->echoed(
                    $this->root ??= $this->chronicle->begin($cause->event, $listener, $now),
                    $listener->route,
                );

                continue;
            }
            $record = $this->root ??= $this->chronicle->begin($cause->event, $listener, $now);
            if ($taken instanceof Missed) {
                $this->miss($record, $listener->route, $taken->at($listener->place()), $cause->event, $now);
            } elseif (! $this->switches->isOn($listener->route->id, $listener->route->enabled)) {
                $why = $this->switches->isLeftOut($listener->route->id) ? 'others are alone on' : 'the route is switched off';
                $off = new Missed("listens for this, but {$why}", $listener->route->enabled ? [] : ['enabled' => null]);
                $this->miss($record, $listener->route, $off, $cause->event, $now);
            } elseif (($passing = $this->passing($listener, $taken, $cause->event, $record, $now)) !== null) {
                $this->chronicle->taken($record, $listener->route, $taken, $passing);
                $this->hasActed = true;
                if (! $cause->isOurOwn || $this->maySetItselfOff($listener->route, $record, $now)) {
                    $this->act($listener->route, $taken->value, 0, $passing, $cause->depth, $record);
                }
            }
        }

        return $isLookedAt;
    }

    /** What a route has sent has come back to it: so often a second, and no more. */
    private function maySetItselfOff(Route $route, TraceEvent $record, int $now): bool
    {
        $times = $this->sending->echoes->count($route->id, $now);
        if ($times > Echoes::MOST_A_SECOND) {
            $this->chronicle->cut($record, $route, 'it has set itself off '.Echoes::MOST_A_SECOND.' times this second');
        }

        return $times <= Echoes::MOST_A_SECOND;
    }

    /** @return Passing|null its way through the route; null where a condition does not hold */
    private function passing(Listener $listener, Taken $taken, Event $event, TraceEvent $record, int $now): ?Passing
    {
        $route = $listener->route;
        $source = \count($route->triggers) === 1 ? 0 : (int) array_search($listener->trigger, $route->triggers, true);
        $passing = $this->passages->passing($route, Named::of($event, $taken->names), $source, $now);
        $missed = $this->passages->missed($route, $taken->value, $passing);
        if ($missed !== null) {
            $this->miss($record, $route, $missed, $event, $now);
        }

        return $missed === null ? $passing : null;
    }

    /**
     * @param int $from the first step that the value goes through, from 0
     * @param list<int> $place of the action that goes on: those before it are done already
     */
    private function act(
        Route $route,
        float $value,
        int $from,
        Passing $passing,
        int $depth,
        TraceEvent $record,
        array $place = [],
    ): void {
        $now = $passing->now;
        if ($this->passages->isFull($route->id)) {
            $this->chronicle->cut($record, $route, Passages::MOST_WAITING.' of its values wait for their time already');

            return;
        }
        $made = $this->passages->through($route, $value, $from, $passing);
        if ($made === null) {
            $this->chronicle->nothingPasses($record, $route, $value);

            return;
        }
        if ($place === []) {
            $this->firings->add($route->id, $now);
            $what = FiredTrigger::what($route->id);
            if ($this->plan->index->waitsFor($what) && $this->mayAct($route, $depth, $record)) {
                $this->waiting[] = new Cause(new Occurred($what, ['value' => $made]), $depth + 1, $record, $this->isGoingOn);
            }
        }
        $this->changes->lookSoon();
        $turn = $this->turnOf($route, $depth, $record, $passing);
        $pause = Sequence::perform($route->actions, $made, $passing->event, $turn, $place);
        if ($pause !== null) {
            $this->passages->wait($route, $made, $pause, $passing);
        }
    }

    /** Whether this turn may still do something; if not, the trace says whose doing it was. */
    public function mayAct(Route $route, int $depth, TraceEvent $record): bool
    {
        $why = $this->work->refusal($depth);
        if ($why !== null && $why !== '') {
            $this->chronicle->cut($record, $route, $why);
        }

        return $why === null;
    }

    private function miss(TraceEvent $record, Route $route, Missed $missed, Event $event, int $now): void
    {
        $this->chronicle->near($record, $route, $missed);
        $this->misses->near($route, $event, $missed, $now);
    }
}
