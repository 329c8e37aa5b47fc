<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Plan\Outlet;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;

/** All ways out of all universes: a change leaves at once where the cadence lets it, everything else when it is due. */
final class Outputs
{
    /** Longer than the time between two frames, shorter than that between repeats of what stays the same. */
    private const SOON_NANOS = 100_000_000;

    /** When sendDue() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, list<Output>> by universe */
    private array $outputs = [];

    /** @var array<string, Output> those that are due before long, by the key of their outlet: with many universes the rest need not be looked at each time */
    private array $soon = [];

    /** When all of them are to be looked at again. */
    private int $lookAt = 0;

    /** @var list<Departure> */
    private array $leaving = [];
    private Plan $plan;

    /** @var array<string, Outlet> one of each port whose frames of this moment are to be synchronised */
    private array $toSync = [];

    /** @var array<string, int> by port */
    private array $syncCounter = [];

    /** @param \Closure(string): Activity $activity of a port */
    public function __construct(private readonly Trace $trace, private readonly \Closure $activity)
    {
        $this->plan = Plan::empty();
    }

    /** What goes on as it was keeps its cadence and its sequence numbers. */
    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $running = [];
        foreach ($this->outputs as $outputs) {
            foreach ($outputs as $output) {
                $running[$output->outlet->key] = $output;
            }
        }
        $this->outputs = $this->soon = [];
        foreach ($plan->outlets as $universeId => $outlets) {
            foreach ($outlets as $outlet) {
                $output = $running[$outlet->key] ?? new Output($outlet);
                $output->outlet = $outlet;
                $this->outputs[$universeId][] = $output;
            }
        }
        $this->dueAt = $this->lookAt = 0;
    }

    /** The next frame of this universe carries what an event has changed. */
    public function await(string $universeId, Event $event): void
    {
        foreach ($this->outputs[$universeId] ?? [] as $output) {
            $output->await($event);
        }
    }

    public function offer(Universe $universe, int $now): void
    {
        foreach ($this->outputs[$universe->id] ?? [] as $output) {
            if (! $universe->spoken) {
                array_map(fn(string $bytes) => $this->leave($output, $bytes, $now), $output->end($universe->levels));

                continue;
            }
            if ($output->offer($universe->levels, $now) <= $now) {
                $this->send($output, $universe, $now);
            }
            $this->expect($output, $now);
        }
    }

    /** @param array<string, Universe> $universes */
    public function sendDue(array $universes, int $now): void
    {
        if ($this->lookAt <= $now) {
            $this->lookAt = \PHP_INT_MAX;
            $this->soon = array_merge(...array_map(static fn(array $outputs): array => array_combine(array_map(static fn(Output $output): string => $output->outlet->key, $outputs), $outputs), array_values($this->outputs)));
        }
        $looked = $this->soon;
        $this->soon = [];
        $this->dueAt = $this->lookAt;
        foreach ($looked as $output) {
            $universe = $universes[$output->outlet->universeId] ?? null;
            if ($universe !== null && $output->dueAt <= $now) {
                $this->send($output, $universe, $now);
            }
            $this->expect($output, $now);
        }
    }

    /** Remembers when an output is due. */
    private function expect(Output $output, int $now): void
    {
        if ($output->dueAt - $now > self::SOON_NANOS) {
            $this->lookAt = min($this->lookAt, $output->dueAt);
        } else {
            $this->soon[$output->outlet->key] = $output;
        }
        $this->dueAt = min($this->dueAt, $output->dueAt);
    }

    /** @return list<Departure> all that leaves since this was last asked */
    public function take(): array
    {
        if ($this->leaving === []) {
            return [];
        }
        $leaving = $this->leaving;
        $this->leaving = [];
        foreach ($this->toSync as $key => $outlet) {
            $packet = $outlet->sync;
            if ($outlet->syncCounterAt !== null) {
                $packet[$outlet->syncCounterAt] = \chr($this->syncCounter[$key] = ($this->syncCounter[$key] ?? -1) + 1 & 255);
            }
            foreach ($outlet->syncTargets as $target) {
                $leaving[] = new Departure($target->via, $target->address, $target->port, $packet, $outlet->portId);
            }
        }
        $this->toSync = [];

        return $leaving;
    }

    private function send(Output $output, Universe $universe, int $now): void
    {
        $bytes = '';
        foreach ($output->next($universe->levels, $now) as $bytes) {
            $this->leave($output, $bytes, $now);
        }
        if ($output->outlet->sync !== '') {
            $this->toSync[$output->outlet->portId] = $output->outlet;
        }
        foreach ($output->awaited() as $event) {
            $this->trace->hop($event, Step::Sent, "{$this->plan->portName($output->outlet->portId)} sent {$output->outlet->words}", $bytes);
        }
    }

    private function leave(Output $output, string $bytes, int $now): void
    {
        $outlet = $output->outlet;
        $activity = ($this->activity)($outlet->portId);
        foreach ($outlet->targets as $target) {
            $this->leaving[] = new Departure($target->via, $target->address, $target->port, $bytes, $outlet->portId);
            $activity->said($now);
        }
    }
}
