<?php

declare(strict_types=1);

namespace NimbleJunction\Core;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\Departure;
use NimbleJunction\Core\Port\Outputs;
use NimbleJunction\Core\Port\Unclaimed;
use NimbleJunction\Core\Route\Routing;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Core\Universe\Universes;
use NimbleJunction\Core\Wire\Malformed;

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

    /** @var array<string, Activity> by port */
    private array $activities = [];

    /** @var array<string, Unclaimed> by endpoint */
    private array $unclaimed = [];

    private readonly Outputs $outputs;

    /** @var list<Departure> answers that leave because of the call in progress */
    private array $answers = [];

    public function __construct()
    {
        $this->trace = new Trace();
        $this->universes = new Universes($this->trace);
        $this->routing = new Routing($this->trace);
        $this->outputs = new Outputs($this->trace, $this->activity(...));
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
        return $this->activities[$portId] ??= new Activity();
    }

    /** @return array<string, Unclaimed> by endpoint: frames that no port asks for */
    public function unclaimed(): array
    {
        return $this->unclaimed;
    }

    /** Takes on another plan. Levels, sources, holds and the cadence of outputs live on. */
    public function adopt(Plan $plan, int $now): void
    {
        ++$this->adoptions;
        $this->plan = $plan;
        $this->universes->adopt($plan, $now);
        $this->routing->adopt($plan);
        $this->activities = array_intersect_key($this->activities, $plan->ports);
        $this->unclaimed = array_intersect_key($this->unclaimed, $plan->endpoints);
        $this->outputs->adopt($plan);
        foreach ($this->universes->all() as $universe) {
            $this->outputs->offer($universe, $now);
        }
        $this->trace->note(Kind::Show, 'show', '', Step::Changed, "The show \"{$plan->name}\" is in force", $now);
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
        try {
            $heard = $endpoint->receiver->receive($bytes, $from);
        } catch (Malformed $malformed) {
            $this->refuse($endpoint, $malformed, $from, $bytes, $now);

            return [];
        }
        foreach ($heard as $what) {
            if ($what instanceof Frame) {
                $this->hearFrame($endpoint, $what, $from, $now);
            } else {
                foreach ($endpoint->portIds as $portId) {
                    $this->activity($portId)->heard($what, $from, $now);
                    if ($what instanceof Message) {
                        $this->hearMessage($portId, $what, "{$from}:{$fromPort}", $bytes, $now);
                    }
                }
                foreach ($what instanceof Remark ? $what->answers : [] as $answer) {
                    $this->answers[] = new Departure($endpointKey, $from, $fromPort, $answer);
                }
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
        if ($this->universes->dueAt <= $now) {
            foreach ($this->expired($now) as $universe) {
                $this->outputs->offer($universe, $now);
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
        return min($this->universes->dueAt, $this->routing->dueAt, $this->outputs->dueAt);
    }

    /**
     * A person holds a slot by hand.
     *
     * @return list<Departure>
     */
    public function hold(string $universeId, Hold $hold, int $now): array
    {
        $universe = $this->universes->find($universeId);
        if ($universe === null) {
            return [];
        }
        $before = $universe->levels;
        $event = $this->trace->begin(Kind::Hold, "hold {$universeId}", '', "{$hold->by} holds slot ".($hold->slot + 1)." of {$this->plan->universeName($universeId)} at {$hold->level}", $now);
        $this->trace->hop($event, Step::Changed, 'from '.\ord($before[$hold->slot])." to {$hold->level}");
        $universe->hold($hold);
        $this->changed($universe, $before, $event, $now);
        $this->universes->dueAt = min($this->universes->dueAt, $hold->until);

        return $this->leave($now);
    }

    /**
     * Lets go of held slots: one, or all of a universe, or all.
     *
     * @param int|null $slot 0 to 511
     *
     * @return list<Departure>
     */
    public function release(?string $universeId, ?int $slot, string $by, int $now): array
    {
        foreach ($this->universes->all() as $id => $universe) {
            if (($universeId === null || $universeId === $id) && $universe->holds() !== []) {
                $before = $universe->levels;
                $what = $slot === null ? 'all slots' : 'slot '.($slot + 1);
                $event = $this->trace->begin(Kind::Hold, "hold {$id}", '', "{$by} releases {$what} of {$this->plan->universeName($id)}", $now);
                $universe->release($slot);
                $this->trace->hop($event, Step::Changed, 'the sources have it again');
                $this->changed($universe, $before, $event, $now);
            }
        }

        return $this->leave($now);
    }

    /** @return array<string, mixed> for restore(), ready for JSON */
    public function snapshot(int $now): array
    {
        return Snapshot::of($this->universes->all(), $now);
    }

    /** @param array<mixed> $snapshot */
    public function restore(array $snapshot, int $now): void
    {
        Snapshot::restore($snapshot, $this->universes->all(), $now);
        $this->universes->dueAt = $now;
        foreach ($this->universes->all() as $universe) {
            $this->outputs->offer($universe, $now);
        }
    }

    private function hearFrame(Endpoint $endpoint, Frame $frame, string $from, int $now): void
    {
        $mappings = $endpoint->mappings[$frame->number] ?? null;
        if ($mappings === null) {
            $name = Activity::numbered($frame->protocol, $frame->number);
            if (($this->unclaimed[$endpoint->key] ??= new Unclaimed())->heard($name, $from, $now)) {
                $this->trace->note(Kind::Port, "unclaimed {$endpoint->key} {$name}", $endpoint->portIds[0] ?? '', Step::Unmatched, "{$from} sends {$name} to {$endpoint->address}:{$endpoint->port}, and no port listens to it", $now);
            }

            return;
        }
        foreach ($mappings as $mapping) {
            $this->activity($mapping->portId)->heard($frame, $from, $now);
            $universe = $this->universes->find($mapping->universeId);
            if ($universe !== null) {
                $before = $universe->levels;
                if ($this->universes->hear($mapping, $frame, $from, $now) || $universe->levels !== $before) {
                    $this->changed($universe, $before, null, $now);
                }
            }
        }
    }

    private function hearMessage(string $portId, Message $message, string $from, string $bytes, int $now): void
    {
        ['event' => $event, 'sets' => $sets] = $this->routing->heard($portId, $message, $from, $bytes, $now);
        foreach ($sets as ['route' => $route, 'level' => $level]) {
            $universe = $this->universes->find($route->universeId);
            if ($universe === null) {
                continue;
            }
            $before = $universe->levels;
            $this->universes->setByRoute($universe, $route->slot, $level, $now);
            $old = \ord($before[$route->slot]);
            $new = \ord($universe->levels[$route->slot]);
            $where = 'slot '.($route->slot + 1)." of {$this->plan->universeName($route->universeId)}";
            if ($new === $level) {
                $this->trace->hop($event, $old === $new ? Step::Unchanged : Step::Changed, $old === $new ? "{$where} is {$level} already" : "{$where} from {$old} to {$new}", '', $route->id);
            } else {
                $this->trace->hop($event, Step::Unchanged, "{$where} was asked for {$level} and is {$new}. {$universe->explain($route->slot, $now)}", '', $route->id);
            }
            if ($universe->levels !== $before) {
                $this->changed($universe, $before, $event, $now);
            }
        }
    }

    private function changed(Universe $universe, string $before, ?Event $event, int $now): void
    {
        $this->routing->changed($universe, $before);
        if ($event !== null && $universe->levels !== $before) {
            $this->outputs->await($universe->id, $event);
        }
        $this->outputs->offer($universe, $now);
    }

    /**
     * What leaves because of the call in progress; messages to the other ends of routes come first.
     *
     * @return list<Departure>
     */
    private function leave(int $now): array
    {
        $messages = $this->routing->dueAt <= $now
            ? $this->routing->send($this->universes->all(), $this->activities, $now)
            : [];
        $leaving = $this->outputs->take();
        if ($messages === [] && $this->answers === []) {
            return $leaving;
        }
        $all = [...$messages, ...$this->answers, ...$leaving];
        $this->answers = [];

        return $all;
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

    private function refuse(Endpoint $endpoint, Malformed $malformed, string $from, string $bytes, int $now): void
    {
        foreach ($endpoint->portIds as $portId) {
            $this->activity($portId)->refuse($malformed->reason);
            $name = $this->plan->portName($portId);
            $event = $this->trace->begin(Kind::Refused, "refused {$portId} {$malformed->clause} {$malformed->offset}", $portId, "{$name} refused a packet from {$from}: {$malformed->reason}", $now);
            if ($event->count === 1 || $event->hops === []) {
                $this->trace->hop($event, Step::Heard, "{$name} heard ".\strlen($bytes)." bytes from {$from}", substr($bytes, 0, 64));
                $this->trace->hop($event, Step::Refused, "{$malformed->reason}, at byte {$malformed->offset} ({$malformed->clause})");
            }
        }
    }
}
