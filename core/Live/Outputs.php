<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Outlet;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Plan\Target;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\Departure;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Universe;

/** All ways out of all universes: a change leaves at once where the cadence lets it, everything else when it is due. */
final class Outputs implements Room
{
    /** Longer than the time between two frames, shorter than that between repeats of what stays the same. */
    private const SOON_NANOS = 100_000_000;

    /**
     * How far numbers jump over a restart: further than may have been sent since they were written down (a second's
     * frames, each with priorities beside it), and less than half of the way round, which would be backwards.
     */
    private const JUMP = 100;

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

    /** @var array<string, Outlet> one of each port whose frames of this moment are to be synchronised */
    private array $toSync = [];

    /** @var array<string, int> by port */
    private array $syncCounter = [];

    /** @param \Closure(string): Activity $activity of a port */
    public function __construct(private readonly Trace $trace, private readonly \Closure $activity)
    {
    }

    /** What goes on as it was keeps its cadence and its sequence numbers. */
    public function adopt(Plan $plan, int $now): void
    {
        $running = [];
        foreach ($this->outputs as $outputs) {
            foreach ($outputs as $output) {
                $running[$output->outlet->key] = $output;
            }
        }
        $this->endWhatIsGone($running, $plan, $now);
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

    public function key(): string
    {
        return 'sequences';
    }

    /** The number of the next frame, by outlet. */
    public function revisions(): array
    {
        $numbers = [];
        foreach ($this->outputs as $outputs) {
            foreach ($outputs as $output) {
                $numbers[$output->outlet->key] = $output->sequence();
            }
        }

        return $numbers;
    }

    public function kept(string $part, int $now): int
    {
        return $this->revisions()[$part] ?? 0;
    }

    /** Goes on counting where a restart broke off, and a jump further, so that nothing seems older than what was sent last. */
    public function restore(Stored $numbers): void
    {
        foreach ($this->outputs as $outputs) {
            foreach ($outputs as $output) {
                $number = $numbers->whole($output->outlet->key, 0, 255);
                if ($number !== null) {
                    $output->goOnFrom($number + self::JUMP);
                }
            }
        }
    }

    /** The next frame of this universe carries what an event has changed. */
    public function await(string $universeId, Event $event): void
    {
        foreach ($this->outputs[$universeId] ?? [] as $output) {
            $output->await($event);
        }
    }

    /**
     * Nothing more leaves: ANSI E1.31-2018, 6.2.6.
     */
    public function end(int $now): void
    {
        foreach ($this->outputs as $outputs) {
            foreach ($outputs as $output) {
                $this->endOne($output, $now);
            }
        }
    }

    public function offer(Universe $universe, int $now): void
    {
        foreach ($this->outputs[$universe->id] ?? [] as $output) {
            if (! $universe->spoken) {
                $this->endOne($output, $now);

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
            $this->leave($output, $bytes, $now, $output->outlet->targets);
        }
        if ($output->outlet->sync !== '') {
            $this->toSync[$output->outlet->portId] = $output->outlet;
        }
        foreach ($output->awaited() as $event) {
            $this->trace->hop($event, Step::Sent, new Said('{port} sent {what}', ['port' => $output->outlet->portId, 'what' => $output->outlet->words]), $bytes);
        }
    }

    /**
     * A universe that leaves the show, or a port that no longer sends it: the other end hears so by the way that it had.
     *
     * @param array<string, Output> $running by the key of their outlet
     */
    private function endWhatIsGone(array $running, Plan $plan, int $now): void
    {
        $targets = [];
        foreach ($plan->outlets as $outlets) {
            foreach ($outlets as $outlet) {
                $targets[$outlet->key] = $outlet->targets;
            }
        }
        foreach ($running as $key => $output) {
            $stay = $targets[$key] ?? [];
            $gone = array_values(array_filter($output->outlet->targets, static fn(Target $target): bool => ! \in_array($target, $stay, false)));
            foreach ($gone === [] ? [] : $output->farewell() as $bytes) {
                $this->leave($output, $bytes, $now, $gone);
            }
        }
    }

    private function endOne(Output $output, int $now): void
    {
        foreach ($output->end() as $bytes) {
            $this->leave($output, $bytes, $now, $output->outlet->targets);
        }
    }

    /** @param list<Target> $targets */
    private function leave(Output $output, string $bytes, int $now, array $targets): void
    {
        $outlet = $output->outlet;
        $activity = ($this->activity)($outlet->portId);
        foreach ($targets as $target) {
            $this->leaving[] = new Departure($target->via, $target->address, $target->port, $bytes, $outlet->portId);
            $activity->said($now);
        }
    }
}
