<?php

declare(strict_types=1);

namespace NimbleJunction\Core;

use NimbleJunction\Core\Discovery\Neighbours;
use NimbleJunction\Core\Live\Activities;
use NimbleJunction\Core\Live\Announcements;
use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\HandTests;
use NimbleJunction\Core\Live\Hearing;
use NimbleJunction\Core\Live\LivePoints;
use NimbleJunction\Core\Live\Memory;
use NimbleJunction\Core\Live\Outputs;
use NimbleJunction\Core\Live\PlanNames;
use NimbleJunction\Core\Live\Points\Controls;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Live\Reception;
use NimbleJunction\Core\Live\RouteLives;
use NimbleJunction\Core\Live\Routing;
use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Port\Unclaimed;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Trigger\ShowTrigger;
use NimbleJunction\Core\Route\Trigger\StartedTrigger;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\State\Rooms;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Names;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Universe\Universe;

/**
 * The whole of show control as a state machine without input or output.
 *
 * It is told that bytes arrived, that time has passed, that there is a new plan, that a person holds a slot; it answers
 * with the datagrams that leave because of it. Between two calls nothing happens: dueAt() says when it wants to be woken.
 * Times are nanoseconds of one clock that never runs backwards. The same calls give the same answers, always.
 */
final class Junction
{
    public readonly Trace $trace;
    public readonly Probes $probes;
    public readonly RouteLives $routes;
    public readonly Controls $controls;
    public readonly LiveProgramme $programme;

    /** How often a plan was taken on: whoever shows the show looks again when it grows. */
    public int $adoptions = 0;
    private Plan $plan;
    private Universes $universes;
    private Routing $routing;
    private readonly Activities $activities;
    private readonly Outputs $outputs;
    private readonly Announcements $announcements;
    private readonly Reception $reception;
    private readonly HandTests $hands;
    private readonly LivePoints $points;
    private readonly Changes $changes;
    private Runner $runner;
    private readonly Hearing $hearing;
    private readonly Memory $memory;

    public function __construct()
    {
        $this->trace = new Trace();
        $this->activities = new Activities();
        $this->universes = new Universes(
            $this->trace,
            $this->activity(...),
            fn(Occurred $event) => $this->runner->happened($event),
        );
        $this->routing = new Routing($this->trace);
        $this->outputs = new Outputs($this->trace, $this->activity(...));
        $this->announcements = new Announcements($this->activity(...));
        $this->reception = new Reception($this->trace, $this->activity(...));
        $this->probes = new Probes();
        $this->points = new LivePoints(
            $this->trace,
            $this->universes,
            $this->activities,
            $this->routing,
            $this->outputs,
            $this->probes,
        );
        $this->programme = $this->points->programme;
        $this->controls = $this->points->controls;
        $this->changes = $this->points->changes;
        $this->runner = $this->points->runner;
        $this->routes = new RouteLives($this->runner, $this->routing->firings, $this->routing->switches);
        $this->hands = new HandTests($this->trace, $this->universes, $this->changes, $this->probes->touches);
        $this->hearing = new Hearing(
            $this->reception,
            $this->activities,
            $this->universes,
            $this->routing,
            $this->probes,
            $this->changes,
            $this->runner,
            $this->programme,
        );
        $this->memory = new Memory($this->universes, $this->routing, $this->activities, $this->outputs, $this->points);
        $this->plan = Plan::empty();
    }

    /** Everything that decides output, each room's own, as it has to be kept over a restart. */
    public function rooms(): Rooms
    {
        return $this->memory->rooms;
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

    /** What things are called now, for whoever reads the trace. */
    public function names(): Names
    {
        return new PlanNames($this->plan, $this->universes);
    }

    public function neighbours(): Neighbours
    {
        return $this->reception->neighbours;
    }

    /**
     * Takes on another plan. Levels, sources, holds and the cadence of outputs live on.
     *
     * @return list<OutgoingPacket> what the other ends of the plan before are told, by its own ways out
     */
    public function adopt(Plan $plan, int $now): array
    {
        ++$this->adoptions;
        $farewells = $this->run($this->points->ports->asSwitched($plan), $now);
        // Dealt with at the next waking: after a start, what there was before is put back first.
        $this->runner->happened(new Occurred($this->adoptions === 1 ? StartedTrigger::WHAT : ShowTrigger::WHAT));
        $this->trace->note(Kind::Show, 'show', '', Step::Changed, "The show \"{$plan->name}\" is running", $now);

        return $farewells;
    }

    /**
     * What the clock of the day shows: some senders say by it when something is to happen.
     *
     * @param int $unixNanos nanoseconds since 1970; $zone is that of the house
     */
    public function setClock(int $unixNanos, int $now, \DateTimeZone $zone = new \DateTimeZone('UTC')): void
    {
        $this->hearing->agenda->setClock($unixNanos, $now);
        $this->points->passages->clock->set($unixNanos, $zone, $now);
        $this->programme->timetable->setClock($unixNanos, $zone, $now);
    }

    /**
     * Bytes arrived at an endpoint of the plan.
     *
     * @return list<OutgoingPacket>
     */
    public function arrived(string $endpointKey, string $from, int $fromPort, string $bytes, int $now): array
    {
        $endpoint = $this->plan->endpoints[$endpointKey] ?? null;
        if ($endpoint !== null) {
            $this->hearing->heard($endpoint, $from, $fromPort, $bytes, $now);
        }

        return $endpoint === null ? [] : $this->leave($now);
    }

    /**
     * Somebody new is connected at an endpoint of the plan.
     *
     * @return list<OutgoingPacket>
     */
    public function joined(string $endpointKey, int $now): array
    {
        $this->routing->forgetShown($this->plan->portsAt($endpointKey));
        $this->runner->showings->forgetAt($this->plan->portsAt($endpointKey));

        return $this->leave($now);
    }

    /**
     * Time has come to $now.
     *
     * @return list<OutgoingPacket>
     */
    public function wake(int $now): array
    {
        if ($this->hearing->dueAt() <= $now) {
            $this->hearing->waited($now);
        }
        if ($this->universes->dueAt <= $now) {
            $this->changes->expire($now);
        }
        if ($this->points->dueAt() <= $now) {
            $this->points->look($now);
        }
        $this->runner->goOn($now);
        $this->settle($now);
        if ($this->outputs->dueAt <= $now) {
            $this->outputs->sendDue($this->universes->all(), $now);
        }

        return $this->leave($now);
    }

    /** When wake() must be called next; PHP_INT_MAX for not at all. */
    public function dueAt(): int
    {
        return min(
            $this->universes->dueAt,
            $this->routing->dueAt,
            $this->outputs->dueAt,
            $this->announcements->dueAt,
            $this->hearing->dueAt(),
            $this->points->dueAt(),
            $this->runner->dueAt(),
        );
    }

    /** Everything that has a value: to be read, watched and looked for. */
    public function points(): Points
    {
        return $this->points->all;
    }

    /**
     * Somebody sets a point.
     *
     * @return array{string, list<OutgoingPacket>} why it cannot be set so, '' when it is done; and what leaves because of it
     */
    public function set(Reference $reference, int|float|string $value, Act $act, int $now): array
    {
        $refusal = $this->points->set($reference, $value, $act, $now);

        return [$refusal, $this->leave($now)];
    }

    /**
     * Somebody presses a point.
     *
     * @return array{string, list<OutgoingPacket>} why it cannot be pressed, '' when it is done; and what leaves because of it
     */
    public function press(Reference $reference, Act $act, int $now): array
    {
        $refusal = $this->points->press($reference, $act, $now);

        return [$refusal, $this->leave($now)];
    }

    /**
     * A person holds slots by hand: one, a run of them, or those of a parameter.
     *
     * @param non-empty-list<Hold> $holds all by one person and until one time
     *
     * @return list<OutgoingPacket>
     */
    public function hold(string $universeId, array $holds, int $now): array
    {
        $this->hands->hold($universeId, $holds, $now);

        return $this->leave($now);
    }

    /**
     * Lets go of held slots: a run of them, or all of a universe, or all.
     *
     * @param int|null $first 0 to 511
     * @param int|null $last 0 to 511; null for $first alone
     * @param bool $onlyOwn what others hold stays held
     *
     * @return list<OutgoingPacket>
     */
    public function release(?string $universeId, ?int $first, ?int $last, string $by, int $now, bool $onlyOwn = false): array
    {
        $this->hands->release($universeId, $first, $last, $by, $now, $onlyOwn);

        return $this->leave($now);
    }

    /**
     * Goes on as if there had been no restart, by the rules of the plan of now. What cannot be read is left out.
     * What was written down apart may be put back one after the other.
     *
     * @param array<mixed> $state
     * @param int $away nanoseconds since it was written down
     */
    public function restore(array $state, int $now, int $away = 0): void
    {
        $stored = new Stored($state);
        $this->memory->restoreSwitches($stored, $this->plan);
        $this->switchPorts($now);
        $this->memory->restore($stored, $this->plan, $now, $away);
    }

    /**
     * It is over: the other ends are told so, where their standard has a way to say it.
     *
     * @return list<OutgoingPacket>
     */
    public function end(int $now): array
    {
        $this->outputs->end($now);

        return $this->outputs->take();
    }

    /** @return list<OutgoingPacket> what the other ends of the plan before are told */
    private function run(Plan $plan, int $now): array
    {
        $this->plan = $plan;
        $this->universes->adopt($plan, $now);
        $this->routing->adopt($plan);
        $this->activities->adopt($plan);
        $this->points->adopt($plan, $now);
        $this->hearing->adopt($plan);
        $this->reception->adopt($plan);
        $this->outputs->adopt($plan, $now);
        $farewells = $this->outputs->take();
        $this->announcements->adopt($plan->announcements, $now);
        $this->changes->noteAll();
        $this->settle($now);

        return $farewells;
    }

    /**
     * Ports that were switched on or off in this turn are so from its end on.
     *
     * @return list<OutgoingPacket> what the other ends are told
     */
    private function switchPorts(int $now): array
    {
        $other = $this->points->ports->otherPlan();

        return $other === null ? [] : $this->run($other, $now);
    }

    /** All that follows is done, within the bounds of a turn; then outputs are offered what came of it. */
    private function settle(int $now): void
    {
        do {
            $this->changes->settle($now);
        } while ($this->runner->drain($now));
        $this->changes->offer($now);
    }

    /**
     * What leaves because of the call in progress; messages to the other ends of routes come first.
     *
     * @return list<OutgoingPacket>
     */
    private function leave(int $now): array
    {
        $this->settle($now);
        $farewells = $this->switchPorts($now);
        $this->probes->points($this->points->all, $now);
        $messages = $this->routing->dueAt <= $now
            ? $this->routing->send($this->universes->all(), $this->activities->all(), $now)
            : [];
        array_push($messages, ...$this->runner->take($now));
        $answers = $this->reception->answers();
        $announced = $this->announcements->dueAt <= $now ? $this->announcements->sendDue($now) : [];
        $leaving = $this->outputs->take();

        $first = [...$messages, ...$answers, ...$announced, ...$farewells];

        return $first === [] ? $leaving : [...$first, ...$leaving];
    }
}
