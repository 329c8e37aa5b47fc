<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\State\Rooms;
use NimbleJunction\Core\State\Stored;

/** What decides output over a restart: the rooms that keep it, and how it is put back. */
final readonly class Memory
{
    public Rooms $rooms;
    private HeldSlots $held;
    private KeptOutages $outages;

    public function __construct(
        private Universes $universes,
        private Routing $routing,
        private Activities $activities,
        private Outputs $outputs,
        private LivePoints $points,
    ) {
        $this->held = new HeldSlots($universes);
        $this->outages = new KeptOutages($activities);
        $this->rooms = new Rooms(
            [$universes, $routing, $activities],
            [$outputs, $routing->firings, $this->outages, $points->passages, $points->runner->courses, $points->runner->showings],
            [
                $this->held,
                $points->values,
                $points->controls,
                $points->panels,
                $routing->switches,
                $points->ports->switches,
                ...$points->programme->rooms(),
            ],
        );
    }

    /** What was switched by hand comes first: it decides by which plan all else is put back. */
    public function restoreSwitches(Stored $stored, Plan $plan): void
    {
        $routes = array_map(strval(...), array_keys($plan->origin?->routesOn() ?? []));
        $this->points->ports->restore($stored->part('switchedPorts'));
        $this->routing->switches->restore($stored->part('switched'));
        $this->routing->firings->restore($stored->part('fired'), $routes);
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, Plan $plan, int $now, int $away): void
    {
        $this->universes->restore($stored->parts('universes'), $now, $away);
        $this->held->restore($this->heldOf($stored), $now, $away);
        $this->outputs->restore($stored->part('sequences'));
        $this->routing->restore($stored->parts('feedback'));
        $this->activities->restore($stored->part('lastSenders'), $plan);
        $this->outages->restore($stored->part('outages'), $plan, $now);
        $this->points->restore($stored, $now, $away);
        $this->points->passages->restore($stored->part('minds'), $plan->index->routes);
        $this->points->runner->courses->restore($stored->part('courses'), $plan->index->routes, $now, $away);
        $this->points->runner->showings->restore($stored->part('showings'));
        foreach ($this->universes->all() as $universe) {
            // Nothing leaves that masters and waves have not seen.
            $universe->settle($now);
            $this->outputs->offer($universe, $now);
        }
    }

    /** Holds have a room of their own; before that they stood with their universes. */
    private function heldOf(Stored $stored): Stored
    {
        $old = array_map(static fn(Stored $universe): array => $universe->list('holds'), $stored->parts('universes'));

        return $stored->has('holds') ? $stored->part('holds') : new Stored($old);
    }
}
