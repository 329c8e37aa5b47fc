<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Agenda;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\SyncPulse;

/** What is heard: levels go into their universes, messages to the routes, and what has to wait waits. */
final class Hearing
{
    private Plan $plan;
    private readonly Assemblers $assemblers;
    public readonly Agenda $agenda;

    public function __construct(
        private readonly Reception $reception,
        private readonly Activities $activities,
        private readonly Universes $universes,
        private readonly Routing $routing,
        private readonly Probes $probes,
        private readonly Changes $changes,
        private readonly Runner $runner,
        private readonly LiveProgramme $programme,
    ) {
        $this->agenda = new Agenda();
        $this->assemblers = new Assemblers();
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $this->assemblers->adopt($plan);
    }

    /** When waited() must be called next. */
    public function dueAt(): int
    {
        return min($this->agenda->dueAt, $this->reception->synchroniser->dueAt);
    }

    public function heard(Endpoint $endpoint, string $from, int $fromPort, string $bytes, int $now): void
    {
        foreach ($this->reception->take($endpoint, $bytes, $from, $fromPort, $now) as $what) {
            if ($what instanceof Frame) {
                $this->frameUnlessItWaits($endpoint, $what, $from, $now);
            } elseif ($what instanceof Message) {
                $this->message($endpoint, $what, $from, $fromPort, $bytes, $now);
            } elseif ($what instanceof SyncPulse) {
                $protocol = $this->plan->ports[$endpoint->portIds[0] ?? '']['protocol'] ?? Protocol::Sacn;
                $this->released($this->reception->synchroniser->pulse($what->key, $protocol, $now), $now);
            } else {
                $this->messageAtItsTime($endpoint, $what, $from, $fromPort, $bytes, $now);
            }
        }
    }

    /** What waited until now: for a synchronisation that did not come, for its time. */
    public function waited(int $now): void
    {
        if ($this->reception->synchroniser->dueAt <= $now) {
            $this->released($this->reception->synchroniser->forgotten($now), $now);
        }
        if ($this->agenda->dueAt > $now) {
            return;
        }
        foreach ($this->agenda->due($now) as $one) {
            $endpoint = $this->plan->endpoints[$one['endpoint']] ?? null;
            if ($endpoint !== null) {
                $this->message($endpoint, $one['what']->message, $one['from'], $one['port'], $one['bytes'], $now);
            }
        }
    }

    private function frameUnlessItWaits(Endpoint $endpoint, Frame $frame, string $from, int $now): void
    {
        if ($frame->sync === '') {
            $this->frame($endpoint, $frame, $from, $now);

            return;
        }
        $synchroniser = $this->reception->synchroniser;
        if (! $this->isMerged($endpoint, $frame) && $synchroniser->holds($endpoint->key, $frame, $from, $now)) {
            foreach ($endpoint->mappings[$frame->number] ?? [] as $mapping) {
                $this->activities->of($mapping->portId)->heard($frame, $from, $now);
                $this->universes->keepAlive($mapping, $frame, $now);
            }

            return;
        }
        $synchroniser->passes($endpoint->key, $frame);
        $this->frame($endpoint, $frame, $from, $now);
    }

    /** Art-Net 4, "ArtSync": it is ignored while a node merges two addresses (from memory). */
    private function isMerged(Endpoint $endpoint, Frame $frame): bool
    {
        if ($frame->protocol !== Protocol::ArtNet) {
            return false;
        }
        foreach ($endpoint->mappings[$frame->number] ?? [] as $mapping) {
            if ($this->universes->countOf($mapping->universeId, Protocol::ArtNet) > 1) {
                return true;
            }
        }

        return false;
    }

    private function frame(Endpoint $endpoint, Frame $frame, string $from, int $now): void
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
            $this->activities->of($mapping->portId)->heard($frame, $from, $now);
            $universe = $this->universes->find($mapping->universeId);
            if ($universe !== null) {
                $before = $universe->levels;
                if ($this->universes->hear($mapping, $frame, $from, $now) || $universe->levels !== $before) {
                    $this->changes->note($universe, $before, null);
                } else {
                    $this->probes->levels($universe->id, $universe->levels, $now);
                }
            }
        }
    }

    /** @param list<array{string, Frame, string}> $held endpoint, frame and sender that waited for each other */
    private function released(array $held, int $now): void
    {
        foreach ($held as [$key, $frame, $from]) {
            $endpoint = $this->plan->endpoints[$key] ?? null;
            if ($endpoint !== null) {
                $this->frame($endpoint, $frame, $from, $now);
            }
        }
    }

    private function messageAtItsTime(
        Endpoint $endpoint,
        Postponed $what,
        string $from,
        int $fromPort,
        string $bytes,
        int $now,
    ): void {
        $refused = $this->agenda->take($endpoint->key, $what, $from, $fromPort, $bytes, $now);
        if ($refused === '') {
            $this->message($endpoint, $what->message, $from, $fromPort, $bytes, $now);
        } elseif ($refused !== null) {
            foreach ($endpoint->portIds as $portId) {
                $this->reception->refuse($endpoint, $portId, $what->message, $refused, $from, $now);
            }
        }
    }

    private function message(Endpoint $endpoint, Message $message, string $from, int $fromPort, string $bytes, int $now): void
    {
        foreach ($endpoint->portIds as $portId) {
            if ($this->reception->lets($endpoint, $portId, $from, $now)) {
                $this->messageAt($portId, $message, $from, $fromPort, $bytes, $now);
            }
        }
    }

    private function messageAt(string $portId, Message $message, string $from, int $fromPort, string $bytes, int $now): void
    {
        $activity = $this->activities->of($portId);
        $activity->heard($message, $from, $now);
        $activity->spokeLast($from);
        $this->probes->message($portId, $message, $now);
        $sender = $fromPort === 0 ? $from : "{$from}:{$fromPort}";
        if ($message instanceof Clock) {
            $this->programme->tempos->heard($portId, $message, $now);
        }
        $this->programme->deskRun->heard($portId, $message);
        $message = $this->assemblers->placed($portId, $sender, $message);
        $whole = $this->assemblers->push($portId, $sender, $message);
        if ($message instanceof Osc || $message instanceof MachineControl) {
            $this->programme->timecodes->heardOther($portId, $message, $now);
        }
        $time = $message instanceof TimeCode ? $message : $whole;
        if ($time instanceof TimeCode) {
            $this->programme->timecodes->heard($portId, $time, $now);
        }
        // What comes many times a second, and what is put together, leaves the trace to what happens where nobody asks for it.
        if (! $message->isTick() || $this->isAskedFor($portId, $message)) {
            $this->route($portId, $message, $sender, $bytes, $now);
        }
        if ($whole !== null) {
            $this->probes->message($portId, $whole, $now);
            if ($this->isAskedFor($portId, $whole)) {
                $this->route($portId, $whole, $sender, $bytes, $now);
            }
        }
    }

    private function isAskedFor(string $portId, Message $message): bool
    {
        return $this->plan->index->asksFor(new Heard($portId, $message));
    }

    private function route(string $portId, Message $message, string $sender, string $bytes, int $now): void
    {
        $isShown = $this->routing->shown($portId, $message, $now);
        $this->runner->heard($portId, $message, $sender, $bytes, $now, $isShown);
    }
}
