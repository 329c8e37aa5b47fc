<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Action\WaitAction;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Listener;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Trigger\TimeTrigger;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\BytesHeard;
use NimbleJunction\Core\Trace\Decoded;
use NimbleJunction\Core\Trace\Event as TraceEvent;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\MessageAt;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step as Hop;
use NimbleJunction\Core\Trace\TakenBy;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Trace\Untaken;

/**
 * Runs routes: every event finds its triggers by the index, what comes of it waits in
 * order, and belongs to the turn that began it. Depth and work of a turn are bounded:
 * routes that call each other in a circle are cut, and said so.
 */
final class Runner
{
    public const DEEPEST = 16;
    public const MOST_EFFECTS = 2000;

    private Plan $plan;

    /** @var list<Cause> events that this turn still has to deal with */
    private array $waiting = [];

    /** @var list<OutgoingPacket> */
    private array $packets = [];
    private int $effects = 0;

    /** How deep in a chain of routes it is what happens now, and the record that tells of its root. */
    private int $depth = 0;
    private ?TraceEvent $root = null;
    private readonly Echoes $echoes;


    public function __construct(
        private readonly Trace $trace,
        private readonly Points $points,
        private readonly Changes $changes,
        private readonly Universes $universes,
        private readonly Activities $activities,
        private readonly Firings $firings,
        private readonly Switches $switches,
        private readonly Passages $passages,
    ) {
        $this->plan = Plan::empty();
        $this->echoes = new Echoes();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $this->echoes->keep($plan->index->routes);
        $this->passages->adopt($plan->index->routes);
    }

    /** A message has come in: the routes that wait for it act at once, in their order. */
    public function heard(string $portId, Message $message, string $from, string $bytes, int $now): void
    {
        $event = new Heard($portId, $message, $from);
        $record = $this->trace->begin(Kind::Message, "message {$portId} {$message->address()}", $portId, new MessageAt($portId, $message), $now);
        $this->trace->hop($record, Hop::Heard, new BytesHeard($portId, \strlen($bytes), $from), $bytes, null, $from);
        $this->trace->hop($record, Hop::Decoded, new Decoded($message));
        $isOurOwn = $this->echoes->isOurs($bytes, $now);
        if (! $this->offer(new Cause($event, 0, $record, $isOurOwn), $now)) {
            $this->trace->hop($record, Hop::Unmatched, new Untaken($portId, $message));
        }
    }

    /**
     * Something else has happened; it is dealt with in this turn.
     *
     * @param bool $isOurOwn it may be what routes have done in the turn before
     */
    public function happened(Event $event, bool $isOurOwn = false): void
    {
        if ($this->plan->index->of($event) !== []) {
            $this->waiting[] = new Cause($event, $this->depth, $this->root, $isOurOwn);
        }
    }

    /** When the junction must be woken for what waits here. */
    public function dueAt(): int
    {
        return $this->waiting === [] && $this->packets === [] ? min($this->passages->dueAt, $this->passages->clock->dueAt) : 0;
    }

    /** What was to go on later and is due now goes on; a minute of the day may have begun. */
    public function goOn(int $now): void
    {
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
                $title = new Said('"{route}" goes on with {value}', ['route' => $route->name, 'value' => Template::number($value)]);
                $record = $this->trace->begin(Kind::Message, "later {$route->id}", '', $title, $now);
                $this->act($route, $value, $later->step + 1, $passing, 0, $record, $later->action);
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
    }

    /** A person or another route presses a route: it acts as if its trigger had come with this value. */
    public function run(string $routeId, float $value, int $depth, ?TraceEvent $record, int $now): bool
    {
        $route = $this->plan->index->routes[$routeId] ?? null;
        if ($route === null) {
            return false;
        }
        $record ??= $this->trace->begin(Kind::Message, "pressed {$routeId}", '', new Said('"{route}" is pressed', ['route' => $route->name]), $now);
        $passing = $this->passages->passing($route, new Occurred('pressed'), 0, $now);
        $this->act($route, $value, 0, $passing, $depth, $record);

        return true;
    }

    /** @return list<OutgoingPacket> what actions have sent since this was last asked; a turn ends with it */
    public function take(): array
    {
        $packets = $this->packets;
        $this->packets = [];
        $this->effects = 0;
        $this->depth = 0;
        $this->root = null;

        return $packets;
    }

    /** @return bool whether any trigger takes it, or nearly does */
    private function offer(Cause $cause, int $now): bool
    {
        $isLookedAt = false;
        $this->depth = $cause->depth + 1;
        $this->root = $cause->record;
        foreach ($this->plan->index->of($cause->event) as $listener) {
            $taken = $listener->trigger->take($cause->event);
            if ($taken === null) {
                continue;
            }
            $isLookedAt = true;
            $record = $this->root ??= $this->record($cause->event, $listener, $now);
            if ($taken instanceof Missed) {
                $this->miss($record, $listener->route, $taken->reason);
            } elseif (! $this->switches->isOn($listener->route->id, $listener->route->enabled)) {
                $this->trace->hop(
                    $record,
                    Hop::Nearly,
                    new Said('"{route}" listens for this, but the route is switched off', ['route' => $listener->route->name]),
                    '',
                    $listener->route->id,
                );
            } elseif (($passing = $this->passing($listener, $taken->value, $cause->event, $record, $now)) !== null) {
                $this->trace->hop(
                    $record,
                    Hop::Matched,
                    new TakenBy($listener->route->name, $taken->words),
                    '',
                    $listener->route->id,
                );
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
        $times = $this->echoes->count($route->id, $now);
        if ($times > Echoes::MOST_A_SECOND) {
            $words = 'cut at "{route}": it has set itself off {most} times this second';
            $this->trace->hop(
                $record,
                Hop::Refused,
                new Said($words, ['route' => $route->name, 'most' => Echoes::MOST_A_SECOND]),
                '',
                $route->id,
            );
        }

        return $times <= Echoes::MOST_A_SECOND;
    }

    /** @return Passing|null its way through the route; null where a condition does not hold */
    private function passing(Listener $listener, float $value, Event $event, TraceEvent $record, int $now): ?Passing
    {
        $route = $listener->route;
        $source = \count($route->triggers) === 1 ? 0 : (int) array_search($listener->trigger, $route->triggers, true);
        $passing = $this->passages->passing($route, $event, $source, $now);
        $missed = $this->passages->missed($route, $value, $passing);
        if ($missed !== null) {
            $this->miss($record, $route, $missed->reason);
        }

        return $missed === null ? $passing : null;
    }

    /**
     * @param int $from the first step that the value goes through, from 0
     * @param int $first the first action that is done, from 0: those before it are done already
     */
    private function act(Route $route, float $value, int $from, Passing $passing, int $depth, TraceEvent $record, int $first = 0): void
    {
        $now = $passing->now;
        if ($this->passages->isFull($route->id)) {
            $words = 'cut at "{route}": {most} of its values wait for their time already';
            $said = new Said($words, ['route' => $route->name, 'most' => Passages::MOST_WAITING]);
            $this->trace->hop($record, Hop::Refused, $said, '', $route->id);

            return;
        }
        $made = $this->passages->through($route, $value, $from, $passing);
        if ($made === null) {
            $this->trace->hop(
                $record,
                Hop::Note,
                new Said('"{route}" lets nothing pass now at {value}', ['route' => $route->name, 'value' => Template::number($value)]),
                '',
                $route->id,
            );

            return;
        }
        if ($first === 0) {
            $this->firings->add($route->id, $now);
        }
        $this->changes->lookSoon();
        $turn = new RouteTurn(
            $this,
            $route,
            $depth,
            $record,
            $now,
            $this->trace,
            $this->points,
            $this->changes,
            $this->universes,
        );
        foreach (\array_slice($route->actions, $first, null, true) as $i => $action) {
            if ($action instanceof WaitAction) {
                $this->passages->wait($route, $made, $i + 1, $action->seconds, $passing);

                return;
            }
            $action->perform($made, $passing->event, $turn);
        }
    }

    /** Whether this turn may still do something; if not, the trace says whose doing it was. */
    public function mayAct(Route $route, int $depth, TraceEvent $record): bool
    {
        ++$this->effects;
        if ($depth < self::DEEPEST && $this->effects <= self::MOST_EFFECTS) {
            return true;
        }
        if ($depth >= self::DEEPEST || $this->effects === self::MOST_EFFECTS + 1) {
            $this->trace->hop(
                $record,
                Hop::Refused,
                new Said(
                    'cut at "{route}": routes that call each other go {depth} deep, and do {most} things in one turn',
                    ['route' => $route->name, 'depth' => self::DEEPEST, 'most' => self::MOST_EFFECTS],
                ),
                '',
                $route->id,
            );
        }

        return false;
    }

    public function send(string $portId, Message $message, Route $route, TraceEvent $record, int $now): void
    {
        $exit = $this->plan->messageExits[$portId] ?? null;
        $bytes = $exit?->writer->write($message) ?? '';
        $activity = $this->activities->of($portId);
        $values = ['port' => $portId, 'message' => $message];
        $destinations = $bytes === '' ? [] : $exit?->destinations($activity->messageFrom) ?? [];
        foreach ($destinations as $destination) {
            $this->packets[] = new OutgoingPacket($destination->via, $destination->address, $destination->port, $bytes, $portId);
            $activity->said($now);
            $this->echoes->sent($bytes, $now);
            $this->trace->hop(
                $record,
                Hop::Sent,
                new Said('{port} sent {message} to {to}', ['to' => $destination->spelled()] + $values),
                $bytes,
                $route->id,
                $destination->spelled(),
            );
        }
        if ($destinations === []) {
            $this->trace->hop(
                $record,
                Hop::Refused,
                new Said('{port} does not send {message}: switched off, no address to send to, or no words for it', $values),
                '',
                $route->id,
            );
        }
    }

    private function miss(TraceEvent $record, Route $route, string $reason): void
    {
        $this->trace->hop(
            $record,
            Hop::Nearly,
            new Said('"{route}" {reason}', ['route' => $route->name, 'reason' => $reason]),
            '',
            $route->id,
        );
    }

    private function record(Event $event, Listener $listener, int $now): TraceEvent
    {
        $words = $event->fields()['point'] ?? $event->keys()[0];

        return $this->trace->begin(Kind::Message, "event {$event->keys()[0]}", '', new Said('{event}: "{route}" looks at it', ['event' => trim(strtr((string) $words, ['*' => ''])), 'route' => $listener->route->name]), $now);
    }
}
