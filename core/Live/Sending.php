<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\Event as TraceEvent;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step as Hop;
use NimbleJunction\Core\Trace\Trace;

/** What routes send: written for its port, gathered until the turn ends, and known again when it comes back. */
final class Sending
{
    private Plan $plan;

    /** @var list<OutgoingPacket> */
    private array $packets = [];
    public readonly Echoes $echoes;

    public function __construct(private readonly Trace $trace, private readonly Activities $activities)
    {
        $this->plan = Plan::empty();
        $this->echoes = new Echoes();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        $this->echoes->keep($plan->index->routes);
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
            $this->trace->hop(
                $record,
                Hop::Sent,
                new Said('{port} sent {message} to {to}', ['to' => $destination->spelled()] + $values),
                $bytes,
                $route->id,
                $destination->spelled(),
            );
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
}
