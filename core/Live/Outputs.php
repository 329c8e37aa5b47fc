<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Destination;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Plan\UniverseExit;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\OutgoingPacket;
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

    /** @var array<string, Output> by the key of their exit */
    private array $byKey = [];

    /**
     * @var array<string, Output> those that are due before long, by the key of their exit: with many universes the rest
     * need not be looked at each time
     */
    private array $soon = [];

    /** When all of them are to be looked at again. */
    private int $lookAt = 0;

    /** @var list<OutgoingPacket> */
    private array $leaving = [];

    /** @var array<string, UniverseExit> one of each port whose frames of this moment are to be synchronised */
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
        $running = $this->byKey;
        $this->endWhatIsGone($running, $plan, $now);
        $this->outputs = $this->soon = $this->byKey = [];
        foreach ($plan->exits as $universeId => $exits) {
            foreach ($exits as $exit) {
                $output = $running[$exit->key] ?? new Output($exit);
                $output->exit = $exit;
                $this->outputs[$universeId][] = $output;
                $this->byKey[$exit->key] = $output;
            }
        }
        $this->dueAt = $this->lookAt = 0;
    }

    public function key(): string
    {
        return 'sequences';
    }

    /** The number of the next frame, by exit. */
    public function revisions(): array
    {
        return array_map(static fn(Output $output): int => $output->sequence(), $this->byKey);
    }

    public function kept(string $part, int $now): int
    {
        return ($this->byKey[$part] ?? null)?->sequence() ?? 0;
    }

    /** Goes on counting where a restart broke off, and a jump further, so that nothing seems older than what was sent last. */
    public function restore(Stored $numbers): void
    {
        foreach ($this->byKey as $key => $output) {
            $number = $numbers->whole((string) $key, 0, 255);
            if ($number !== null) {
                $output->goOnFrom($number + self::JUMP);
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
        foreach ($this->byKey as $output) {
            $this->endOne($output, $now);
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
            $this->soon = $this->byKey;
        }
        $looked = $this->soon;
        $this->soon = [];
        $this->dueAt = $this->lookAt;
        foreach ($looked as $output) {
            $universe = $universes[$output->exit->universeId] ?? null;
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
            $this->soon[$output->exit->key] = $output;
        }
        $this->dueAt = min($this->dueAt, $output->dueAt);
    }

    /** @return list<OutgoingPacket> all that leaves since this was last asked */
    public function take(): array
    {
        if ($this->leaving === []) {
            return [];
        }
        $leaving = $this->leaving;
        $this->leaving = [];
        foreach ($this->toSync as $key => $exit) {
            $packet = $exit->sync;
            if ($exit->syncCounterAt !== null) {
                $packet[$exit->syncCounterAt] = \chr($this->syncCounter[$key] = ($this->syncCounter[$key] ?? -1) + 1 & 255);
            }
            foreach ($exit->syncDestinations as $destination) {
                $leaving[] = new OutgoingPacket(
                    $destination->via,
                    $destination->address,
                    $destination->port,
                    $packet,
                    $exit->portId,
                );
            }
        }
        $this->toSync = [];

        return $leaving;
    }

    private function send(Output $output, Universe $universe, int $now): void
    {
        $bytes = '';
        foreach ($output->next($universe->levels, $now) as $bytes) {
            $this->leave($output, $bytes, $now, $output->exit->destinations);
        }
        if ($output->exit->sync !== '') {
            $this->toSync[$output->exit->portId] = $output->exit;
        }
        foreach ($output->awaited() as $event) {
            $this->trace->hop(
                $event,
                Step::Sent,
                new Said('{port} sent {what}', ['port' => $output->exit->portId, 'what' => $output->exit->words]),
                $bytes,
                null,
                ($output->exit->destinations[0] ?? null)?->spelled() ?? '',
            );
        }
    }

    /**
     * A universe that leaves the show, or a port that no longer sends it: the other end hears so by the way that it had.
     *
     * @param array<string, Output> $running by the key of their exit
     */
    private function endWhatIsGone(array $running, Plan $plan, int $now): void
    {
        $destinations = [];
        foreach ($plan->exits as $exits) {
            foreach ($exits as $exit) {
                $destinations[$exit->key] = $exit->destinations;
            }
        }
        foreach ($running as $key => $output) {
            $stay = $destinations[$key] ?? [];
            $gone = array_values(
                array_filter(
                    $output->exit->destinations,
                    static fn(Destination $destination): bool => ! \in_array($destination, $stay, false),
                ),
            );
            foreach ($gone === [] ? [] : $output->farewell() as $bytes) {
                $this->leave($output, $bytes, $now, $gone);
            }
        }
    }

    private function endOne(Output $output, int $now): void
    {
        foreach ($output->end() as $bytes) {
            $this->leave($output, $bytes, $now, $output->exit->destinations);
        }
    }

    /** @param list<Destination> $destinations */
    private function leave(Output $output, string $bytes, int $now, array $destinations): void
    {
        $exit = $output->exit;
        $activity = ($this->activity)($exit->portId);
        foreach ($destinations as $destination) {
            $this->leaving[] = new OutgoingPacket(
                $destination->via,
                $destination->address,
                $destination->port,
                $bytes,
                $exit->portId,
            );
            $activity->said($now);
        }
    }
}
