<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\Event as TraceEvent;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step as Hop;
use NimbleJunction\Core\Trace\Trace;

/** What routes send: written for its port, gathered until the turn ends, and known again when it comes back. */
final class Sending
{
    private Plan $plan;

    /** What the other end says within this time after it was told something is its answer. Our own choice. */
    private const ANSWER_NANOS = 300_000_000;

    /** @var list<OutgoingPacket> */
    private array $packets = [];

    /** @var array<string, array{TraceEvent, int}> what was sent there last, and when, by port */
    private array $asked = [];
    public readonly Echoes $echoes;
    public readonly Rounds $rounds;

    public function __construct(private readonly Trace $trace, private readonly Activities $activities)
    {
        $this->plan = Plan::empty();
        $this->echoes = new Echoes();
        $this->rounds = new Rounds();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $this->echoes->keep($plan->index->routes);
        $this->rounds->keep($plan->index->routes);
    }

    public function isEmpty(): bool
    {
        return $this->packets === [];
    }

    /** @return list<OutgoingPacket> what has been sent since this was last asked */
    public function take(): array
    {
        $packets = $this->packets;
        $this->packets = [];

        return $packets;
    }

    /** @return string the bytes that a message would be at a port; '' where it has no words for it */
    public function written(string $portId, Message $message): string
    {
        return ($this->plan->messageExits[$portId] ?? null)?->writer->write($message) ?? '';
    }

    /** The other end says something: where it was told something a moment ago, that is its answer. */
    public function heard(string $portId, Message $message, string $bytes, int $now): void
    {
        [$record, $at] = $this->asked[$portId] ?? [null, 0];
        if ($record === null) {
            return;
        }
        unset($this->asked[$portId]);
        if ($now - $at <= self::ANSWER_NANOS) {
            $values = ['port' => $portId, 'message' => $message, 'ms' => intdiv($now - $at, 1_000_000)];
            $this->trace->hop($record, Hop::Answered, new Said('{port} answers {message}, {ms} ms later', $values), $bytes);
        }
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
            // Who is told what became of its own message does not answer by going on.
            if ($record->portId !== $portId) {
                $this->asked[$portId] = [$record, $now];
            }
            $this->trace->hop(
                $record,
                Hop::Sent,
                new Said('{port} sent {message} to {to}', ['to' => $destination->spelled()] + $values),
                $bytes,
                $route->id,
                $destination->spelled(),
            );
        }
        if ($destinations !== [] && $record->kind === Kind::Message && $record->portId !== '') {
            $this->lookForRounds($route, $bytes, $record, $now);
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

    /** Something that leaves many times a second by itself: a tick of a clock. It stands in no trace. */
    public function tick(string $portId, Message $message, int $now): void
    {
        $exit = $this->plan->messageExits[$portId] ?? null;
        $bytes = $exit?->writer->write($message) ?? '';
        $activity = $this->activities->of($portId);
        foreach ($bytes === '' ? [] : $exit?->destinations($activity->messageFrom) ?? [] as $destination) {
            $this->packets[] = new OutgoingPacket($destination->via, $destination->address, $destination->port, $bytes, $portId);
            $activity->said($now);
        }
    }

    private function lookForRounds(Route $route, string $bytes, TraceEvent $record, int $now): void
    {
        $other = $this->rounds->sent($route->id, $bytes, $now);
        $partner = $other === null ? null : $this->plan->index->routes[$other] ?? null;
        if ($partner !== null) {
            $words = '"{route}" and "{other}" keep each other going: what one sends comes back, and the other sends it on';
            $said = new Said($words, ['route' => $route->name, 'other' => $partner->name]);
            // Not beside what came: of like events only the newest is kept.
            $this->trace->note(Kind::Message, "round {$route->id} {$other}", $record->portId, Hop::Refused, $said, $now);
        }
    }
}
