<?php

declare(strict_types=1);

namespace NimbleJunction\Core;

use NimbleJunction\Core\Discovery\Neighbours;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activities;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\Announcements;
use NimbleJunction\Core\Port\Departure;
use NimbleJunction\Core\Port\Outputs;
use NimbleJunction\Core\Port\Reception;
use NimbleJunction\Core\Port\Unclaimed;
use NimbleJunction\Core\Route\Routing;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\MidiAddress;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Hands;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Universe\Universes;

/**
 * The whole of show control as a state machine without input or output.
 *
 * It is told that bytes arrived, that time has passed, that there is a new
 * plan, that a person holds a slot; it answers with the datagrams that leave
 * because of it. Between two calls nothing happens: dueAt() says when it wants
 * to be woken. Times are nanoseconds of one clock that never runs backwards.
 * The same calls give the same answers, always.
 */
final class Junction
{
    public readonly Trace $trace;

    /** How often a plan was taken on: whoever shows the show looks again when it grows. */
    public int $adoptions = 0;
    private Plan $plan;
    private Universes $universes;
    private Routing $routing;

    private readonly Activities $activities;
    private readonly Outputs $outputs;
    private readonly Announcements $announcements;
    private readonly Reception $reception;
    private readonly Probes $probes;
    private readonly Hands $hands;

    public function __construct()
    {
        $this->trace = new Trace();
        $this->activities = new Activities();
        $this->universes = new Universes($this->trace, fn(string $portId, int $frames) => $this->activity($portId)->missed($frames));
        $this->routing = new Routing($this->trace);
        $this->outputs = new Outputs($this->trace, $this->activity(...));
        $this->announcements = new Announcements($this->activity(...));
        $this->reception = new Reception($this->trace, $this->activity(...));
        $this->probes = new Probes();
        $this->hands = new Hands($this->trace);
        $this->plan = Plan::empty();
    }

    public function plan(): Plan
    {
        return $this->plan;
    }

    /** @return array<string, Universe> by id */
    public function universes(): array
    {
        return $this->universes->all();
    }

    public function activity(string $portId): Activity
    {
        return $this->activities->of($portId);
    }

    /** @return array<string, Unclaimed> by endpoint: frames that no port asks for */
    public function unclaimed(): array
    {
        return $this->reception->unclaimed();
    }

    public function neighbours(): Neighbours
    {
        return $this->reception->neighbours;
    }

    public function probes(): Probes
    {
        return $this->probes;
    }

    /**
     * Takes on another plan. Levels, sources, holds and the cadence of outputs live on.
     *
     * @return list<Departure> what the other ends of the plan before are told, by its own ways out
     */
    public function adopt(Plan $plan, int $now): array
    {
        ++$this->adoptions;
        $this->plan = $plan;
        $this->universes->adopt($plan, $now);
        $this->routing->adopt($plan);
        $this->activities->adopt($plan);
        $this->reception->adopt($plan);
        $this->outputs->adopt($plan, $now);
        $farewells = $this->outputs->take();
        $this->announcements->adopt($plan->announcements, $now);
        foreach ($this->universes->all() as $universe) {
            $this->copy($universe, $now);
            $this->outputs->offer($universe, $now);
        }
        $this->trace->note(Kind::Show, 'show', '', Step::Changed, "The show \"{$plan->name}\" is in force", $now);

        return $farewells;
    }

    /**
     * Bytes arrived at an endpoint of the plan.
     *
     * @return list<Departure>
     */
    public function arrived(string $endpointKey, string $from, int $fromPort, string $bytes, int $now): array
    {
        $endpoint = $this->plan->endpoints[$endpointKey] ?? null;
        if ($endpoint === null) {
            return [];
        }
        foreach ($this->reception->take($endpoint, $bytes, $from, $fromPort, $now) as $what) {
            if ($what instanceof Frame) {
                if ($what->sync === '' || ! $this->reception->synchroniser->holds($endpointKey, $what, $from, $now)) {
                    $this->hearFrame($endpoint, $what, $from, $now);
                }
            } elseif ($what instanceof Message) {
                foreach ($endpoint->portIds as $portId) {
                    if ($this->reception->lets($endpoint, $portId, $from, $now)) {
                        $this->hearMessage($portId, $what, $from, $fromPort, $bytes, $now);
                    }
                }
            } else {
                $this->hearAll($this->reception->synchroniser->pulse($what->key, $this->plan->ports[$endpoint->portIds[0] ?? '']['protocol'] ?? Protocol::Sacn, $now), $now);
            }
        }

        return $this->leave($now);
    }

    /**
     * Time has come to $now.
     *
     * @return list<Departure>
     */
    public function wake(int $now): array
    {
        if ($this->reception->synchroniser->dueAt <= $now) {
            $this->hearAll($this->reception->synchroniser->forgotten($now), $now);
        }
        if ($this->universes->dueAt <= $now) {
            foreach ($this->expired($now) as $universe) {
                $this->outputs->offer($universe, $now);
                $this->copy($universe, $now);
            }
        }
        if ($this->outputs->dueAt <= $now) {
            $this->outputs->sendDue($this->universes->all(), $now);
        }

        return $this->leave($now);
    }

    /** When wake() must be called next; PHP_INT_MAX for not at all. */
    public function dueAt(): int
    {
        return min($this->universes->dueAt, $this->routing->dueAt, $this->outputs->dueAt, $this->announcements->dueAt, $this->reception->synchroniser->dueAt);
    }

    /**
     * A person holds slots by hand: one, a run of them, or those of a parameter.
     *
     * @param non-empty-list<Hold> $holds all by one person and until one time
     *
     * @return list<Departure>
     */
    public function hold(string $universeId, array $holds, int $now): array
    {
        $universe = $this->universes->find($universeId);
        if ($universe === null) {
            return [];
        }
        $before = $universe->levels;
        $event = $this->hands->hold($universe, $this->plan->universeName($universeId), $holds, $now);
        $this->changed($universe, $before, $event, $now);
        $this->universes->dueAt = min($this->universes->dueAt, $holds[0]->until);

        return $this->leave($now);
    }

    /**
     * Lets go of held slots: a run of them, or all of a universe, or all.
     *
     * @param int|null $first 0 to 511
     * @param int|null $last 0 to 511; null for $first alone
     *
     * @return list<Departure>
     */
    public function release(?string $universeId, ?int $first, ?int $last, string $by, int $now): array
    {
        foreach ($this->universes->all() as $id => $universe) {
            if (($universeId === null || $universeId === $id) && $universe->holds() !== []) {
                $before = $universe->levels;
                $event = $this->hands->release($universe, $this->plan->universeName($id), $first, $last, $by, $now);
                $this->changed($universe, $before, $event, $now);
            }
        }

        return $this->leave($now);
    }

    /**
     * Everything that decides output, each room's own, as it has to be kept over a restart.
     *
     * @return array<string, mixed> for restore(), ready for JSON
     */
    public function state(int $now): array
    {
        return [
            'universes' => $this->universes->state($now),
            'sequences' => $this->outputs->state(),
            'feedback' => $this->routing->state(),
            'lastSenders' => $this->activities->state(),
        ];
    }

    /**
     * Goes on as if there had been no restart, by the rules of the plan of now. What cannot be read is left out.
     *
     * @param array<mixed> $state
     * @param int $away nanoseconds since it was written down
     */
    public function restore(array $state, int $now, int $away = 0): void
    {
        $stored = new Stored($state);
        $this->universes->restore($stored->parts('universes'), $now, $away);
        $this->outputs->restore($stored->part('sequences'));
        $this->routing->restore($stored->parts('feedback'));
        $this->activities->restore($stored->part('lastSenders'), $this->plan);
        foreach ($this->universes->all() as $universe) {
            $this->outputs->offer($universe, $now);
        }
    }

    /**
     * It is over: the other ends are told so, where their standard has a way to say it.
     *
     * @return list<Departure>
     */
    public function end(int $now): array
    {
        $this->outputs->end($now);

        return $this->outputs->take();
    }

    private function hearFrame(Endpoint $endpoint, Frame $frame, string $from, int $now): void
    {
        $mappings = $endpoint->mappings[$frame->number] ?? null;
        if ($mappings === null) {
            $this->reception->nobodyAsksFor($endpoint, $frame, $from, $now);

            return;
        }
        foreach ($mappings as $mapping) {
            if ($endpoint->allowed !== [] && ! $this->reception->lets($endpoint, $mapping->portId, $from, $now)) {
                continue;
            }
            $this->activity($mapping->portId)->heard($frame, $from, $now);
            $universe = $this->universes->find($mapping->universeId);
            if ($universe !== null) {
                $before = $universe->levels;
                if ($this->universes->hear($mapping, $frame, $from, $now) || $universe->levels !== $before) {
                    $this->changed($universe, $before, null, $now);
                } else {
                    $this->probes->levels($universe->id, $universe->levels, $now);
                }
            }
        }
    }

    /** @param list<array{string, Frame, string}> $held endpoint, frame and sender that waited for each other */
    private function hearAll(array $held, int $now): void
    {
        foreach ($held as [$key, $frame, $from]) {
            $endpoint = $this->plan->endpoints[$key] ?? null;
            if ($endpoint !== null) {
                $this->hearFrame($endpoint, $frame, $from, $now);
            }
        }
    }

    private function hearMessage(string $portId, Message $message, string $from, int $fromPort, string $bytes, int $now): void
    {
        $activity = $this->activity($portId);
        $activity->heard($message, $from, $now);
        $activity->messageFrom = $from;
        $this->probes->message($portId, $message, $now);
        if ($message->address === MidiAddress::CLOCK && ! isset($this->plan->messageRoutes[$portId][MidiAddress::CLOCK])) {
            // Forty times a second, and nobody asks for it: it is counted, and leaves the trace to what happens.
            return;
        }
        ['event' => $event, 'sets' => $sets] = $this->routing->heard($portId, $message, $fromPort === 0 ? $from : "{$from}:{$fromPort}", $bytes, $now);
        foreach ($sets as ['route' => $route, 'level' => $level]) {
            $universe = $this->universes->find($route->universeId);
            if ($universe !== null) {
                $before = $universe->levels;
                $this->universes->setByRoute($universe, $route->slot, $level, $now);
                $this->routing->tellResult($event, $route, $level, $universe, $before, $now);
                if ($universe->levels !== $before) {
                    $this->changed($universe, $before, $event, $now);
                }
            }
        }
    }

    private function changed(Universe $universe, string $before, ?Event $event, int $now): void
    {
        $this->routing->changed($universe, $before);
        if ($event !== null && $universe->levels !== $before) {
            $this->outputs->await($universe->id, $event);
        }
        $this->probes->levels($universe->id, $universe->levels, $now);
        $this->outputs->offer($universe, $now);
        $this->copy($universe, $now);
    }

    /** Parts of a universe that are carried elsewhere; ranges never run in a circle, a show that does is refused. */
    private function copy(Universe $universe, int $now): void
    {
        foreach ($this->plan->copies[$universe->id] ?? [] as $copy) {
            $target = $this->universes->find($copy->toUniverse);
            if ($target !== null && $universe->spoken) {
                $before = $target->levels;
                if ($this->universes->setSparse($target, "range {$copy->id}", "Range \"{$copy->name}\"", $copy->of($universe->levels), $now)) {
                    $this->changed($target, $before, null, $now);
                }
            }
        }
    }

    /**
     * What leaves because of the call in progress; messages to the other ends of routes come first.
     *
     * @return list<Departure>
     */
    private function leave(int $now): array
    {
        $messages = $this->routing->dueAt <= $now
            ? $this->routing->send($this->universes->all(), $this->activities->all(), $now)
            : [];
        $answers = $this->reception->answers();
        $announced = $this->announcements->dueAt <= $now ? $this->announcements->sendDue($now) : [];
        $leaving = $this->outputs->take();

        return $messages === [] && $answers === [] && $announced === [] ? $leaving : [...$messages, ...$answers, ...$announced, ...$leaving];
    }

    /** @return list<Universe> */
    private function expired(int $now): array
    {
        $before = array_map(static fn(Universe $universe): string => $universe->levels, $this->universes->all());
        $changed = [];
        foreach ($this->universes->expire($now) as $id) {
            $universe = $this->universes->find($id);
            if ($universe !== null) {
                $this->routing->changed($universe, $before[$id] ?? $universe->levels);
                $changed[] = $universe;
            }
        }

        return $changed;
    }
}
