<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Discovery\Neighbours;
use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Port\PollAnswers;
use NimbleJunction\Core\Port\Synchroniser;
use NimbleJunction\Core\Port\Unclaimed;
use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Postponed;
use NimbleJunction\Core\Signal\Remark;
use NimbleJunction\Core\Signal\Sighting;
use NimbleJunction\Core\Signal\SyncPulse;
use NimbleJunction\Core\Trace\BytesHeard;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Wire\Malformed;

/**
 * Reads what arrives, counts it, keeps out what is broken or not wanted, and deals with everything that is neither
 * levels nor an event.
 */
final class Reception
{
    public readonly Neighbours $neighbours;
    public readonly Synchroniser $synchroniser;
    private readonly PollAnswers $pollAnswers;

    /** @var array<string, Unclaimed> by endpoint */
    private array $unclaimed = [];

    /** @var list<OutgoingPacket> */
    private array $answers = [];

    /** @param \Closure(string): Activity $activity of a port */
    public function __construct(private readonly Trace $trace, private readonly \Closure $activity)
    {
        $this->neighbours = new Neighbours($trace);
        $this->synchroniser = new Synchroniser();
        $this->pollAnswers = new PollAnswers();
    }

    public function adopt(Plan $plan): void
    {
        $this->unclaimed = array_intersect_key($this->unclaimed, $plan->endpoints);
    }

    /**
     * @return list<Frame|Message|Postponed|SyncPulse> what is to be acted on
     */
    public function take(Endpoint $endpoint, string $bytes, string $from, int $fromPort, int $now): array
    {
        try {
            $heard = $endpoint->receiver->receive($bytes, $from);
        } catch (Malformed $malformed) {
            $this->refuseBroken($endpoint, $malformed, $from, $bytes, $now);

            return [];
        }
        if (\count($heard) === 1 && $heard[0] instanceof Frame) {
            return $heard;
        }
        $matter = [];
        foreach ($heard as $what) {
            if ($what instanceof Frame || $what instanceof Message || $what instanceof Postponed) {
                $matter[] = $what;

                continue;
            }
            foreach ($endpoint->portIds as $portId) {
                if ($this->lets($endpoint, $portId, $from, $now)) {
                    ($this->activity)($portId)->heard($what instanceof SyncPulse ? new Remark($what->words) : $what, $from, $now);
                }
            }
            if ($what instanceof SyncPulse) {
                $matter[] = $what;
            } elseif ($what instanceof Sighting) {
                $this->neighbours->saw($what, $endpoint->portIds[0] ?? '', $now);
            } else {
                $this->answer($endpoint, $what, $from, $fromPort, $now);
            }
        }

        return $matter;
    }

    /** A message that could be read and is not taken all the same: counted and told. */
    public function refuse(Endpoint $endpoint, string $portId, Message $message, string $why, string $from, int $now): void
    {
        if ($this->lets($endpoint, $portId, $from, $now)) {
            ($this->activity)($portId)->refuse($why);
            $said = new Said(
                '{port}: {message} from {from} is not taken: {why}',
                ['port' => $portId, 'message' => $message, 'from' => $from, 'why' => $why],
            );
            $this->trace->note(Kind::Refused, "late {$portId} {$message->address()}", $portId, Step::Refused, $said, $now);
        }
    }

    /** Whether a port listens to this sender; if not, the packet is counted against it. */
    public function lets(Endpoint $endpoint, string $portId, string $from, int $now): bool
    {
        if (! isset($endpoint->allowed[$portId]) || $endpoint->allowed[$portId]->lets($from)) {
            return true;
        }
        if (($this->activity)($portId)->refuse("{$from} is not among the senders that this port listens to")) {
            $said = new Said(
                '{port} does not listen to {from}: only to {allowed}',
                ['port' => $portId, 'from' => $from, 'allowed' => implode(', ', $endpoint->allowed[$portId]->entries)],
            );
            $this->trace->note(Kind::Refused, "stranger {$portId} {$from}", $portId, Step::Refused, $said, $now);
        }

        return false;
    }

    /** A frame whose universe no port asks for: the usual off-by-one, made visible. */
    public function nobodyAsksFor(Endpoint $endpoint, Frame $frame, string $from, int $now): void
    {
        $name = Activity::numbered($frame->protocol, $frame->number);
        if (($this->unclaimed[$endpoint->key] ??= new Unclaimed())->heard($name, $frame->number, $from, $now)) {
            $said = new Said(
                '{from} sends {number} to {endpoint}, and no port listens to it',
                ['from' => $from, 'number' => $name, 'endpoint' => $endpoint->spelled()],
            );
            $this->trace->note(
                Kind::Port,
                "unclaimed {$endpoint->key} {$name}",
                $endpoint->portIds[0] ?? '',
                Step::Unmatched,
                $said,
                $now,
            );
        }
    }

    /** @return array<string, Unclaimed> by endpoint */
    public function unclaimed(): array
    {
        return $this->unclaimed;
    }

    /** @return list<OutgoingPacket> answers since this was last asked */
    public function answers(): array
    {
        if ($this->answers === []) {
            return [];
        }
        $answers = $this->answers;
        $this->answers = [];

        return $answers;
    }

    private function answer(Endpoint $endpoint, Remark $remark, string $from, int $fromPort, int $now): void
    {
        if ($remark->answers === [] || ! $this->pollAnswers->mayAnswer($from, $now)) {
            return;
        }
        foreach ($remark->answers as $answer) {
            $this->answers[] = new OutgoingPacket(
                $endpoint->key,
                $from,
                $remark->answerPort ?? $fromPort,
                $answer,
                '',
                $remark->addressAt,
            );
        }
    }

    private function refuseBroken(Endpoint $endpoint, Malformed $malformed, string $from, string $bytes, int $now): void
    {
        foreach ($endpoint->portIds as $portId) {
            if (! $this->lets($endpoint, $portId, $from, $now)) {
                continue;
            }
            ($this->activity)($portId)->refuse($malformed->reason);
            $values = [
                'port' => $portId,
                'from' => $from,
                'reason' => $malformed->reason,
                'offset' => $malformed->offset,
                'clause' => $malformed->clause,
            ];
            $title = new Said('{port} refused a packet from {from}: {reason}', $values);
            $event = $this->trace->begin(
                Kind::Refused,
                "refused {$portId} {$malformed->clause} {$malformed->offset}",
                $portId,
                $title,
                $now,
            );
            if ($event->count === 1 || $event->hops === []) {
                $this->trace->hop(
                    $event,
                    Step::Heard,
                    new BytesHeard($portId, \strlen($bytes), $from),
                    substr($bytes, 0, 64),
                    null,
                    $from,
                );
                $this->trace->hop($event, Step::Refused, new Said('{reason}, at byte {offset} ({clause})', $values));
            }
        }
    }
}
