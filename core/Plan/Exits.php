<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\ArtNetSender;
use NimbleJunction\Core\Codec\ArtNetTimeWriter;
use NimbleJunction\Core\Codec\DmxLineSender;
use NimbleJunction\Core\Codec\FrameSender;
use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Codec\SacnSender;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\Side\ArtNetSend;
use NimbleJunction\Core\Show\Side\SacnSend;
use NimbleJunction\Core\Show\Side\SendSide;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Universe\Cadence;
use NimbleJunction\Core\Wire\ArtNet\Sync;
use NimbleJunction\Core\Wire\Sacn\Synchronization;

/** Every way out of a show: of universes, and of messages. */
final readonly class Exits
{
    /** Byte of a synchronization packet that counts up (ANSI E1.31-2018, table 4-2, from memory). */
    private const SYNC_COUNTER_AT = 44;

    /** @param array<string, Endpoint> $endpoints */
    public function __construct(private Show $show, private Identity $identity, private array $endpoints)
    {
    }

    /** @return array<string, list<UniverseExit>> by universe */
    public function exits(): array
    {
        $exits = [];
        foreach ($this->show->ports as $port) {
            $send = $port->send;
            if ($send === null || ! $port->sends()) {
                continue;
            }
            foreach ($send->ranked()[0] as $link) {
                $exits[$link->universe][] = $this->exit($port, $send, $link);
            }
        }

        return $exits;
    }

    /** @return array<string, MessageExit> by port */
    public function messageExits(): array
    {
        $exits = [];
        foreach ($this->show->ports as $port) {
            $send = $port->send;
            if ($send === null || ! $port->sends() || $port->protocol->carriesLevels()) {
                continue;
            }
            $exits[$port->id] = new MessageExit(
                $port->protocol === Protocol::Midi ? new MidiCodec() : new OscCodec(),
                $this->destinations($port, $send),
                $send->repliesToo() && $port->link->kind === LinkKind::Udp
                    ? new Destination($this->via($port, $send), '', $send->port)
                    : null,
            );
        }

        return $exits + $this->timeExits();
    }

    /** @return array<string, MessageExit> Art-Net ports that are sent time code, by port */
    private function timeExits(): array
    {
        $exits = [];
        foreach (array_merge(...array_values(array_map(
            static fn(TimecodeEntry $one): array => $one->sends,
            $this->show->timecodes,
        ))) as $id) {
            $port = $this->show->ports[$id] ?? null;
            if ($port?->send !== null && $port->sends() && $port->protocol === Protocol::ArtNet) {
                $exits[$id] = new MessageExit(new ArtNetTimeWriter(), $this->destinations($port, $port->send));
            }
        }

        return $exits;
    }

    /**
     * @param int|null $number universe on the wire, where multicast has a group for each
     *
     * @return list<Destination>
     */
    public function destinations(PortEntry $port, SendSide $send, ?int $number = null): array
    {
        $via = $this->via($port, $send);
        if ($port->link->kind !== LinkKind::Udp) {
            // What goes to whom is the link's own affair: a device has one other end, a session or a TCP listener those that are
            // connected.
            return [new Destination(
                $via,
                $port->link->device !== '' ? $port->link->device : $this->endpoints[$via]->spelled(),
                0,
            )];
        }
        $group = $number === null ? null : $send->group($number);
        if ($group !== null) {
            return [new Destination($via, $group, $send->port)];
        }

        return array_map(static fn(string $to): Destination => new Destination($via, $to, $send->port), $send->to);
    }

    private function exit(PortEntry $port, SendSide $send, WireUniverse $link): UniverseExit
    {
        $destinations = $this->destinations($port, $send, $link->number);
        $number = match ($port->protocol) {
            Protocol::ArtNet => "port-address {$link->number}",
            Protocol::Sacn => "sACN universe {$link->number}",
            default => 'the line',
        };
        $syncUniverse = $send instanceof SacnSend ? $send->syncUniverse : 0;
        $sync = match (true) {
            $send instanceof ArtNetSend && $send->sync => (new Sync())->encode(),
            $syncUniverse > 0 => (new Synchronization($this->identity->cid, $syncUniverse))->encode(),
            default => '',
        };

        return new UniverseExit(
            "{$port->id} {$port->protocol->value} {$link->number} {$link->universe}",
            $port->id,
            $link->universe,
            "{$number} to ".implode(', ', array_map(static fn(Destination $destination): string => $destination->spelled(), $destinations)),
            $this->sender($send, $link),
            $destinations,
            Cadence::of($port->protocol, $send->perSecond, $send->fullRate),
            $sync,
            $sync === '' ? [] : $this->destinations($port, $send, $syncUniverse),
            $syncUniverse > 0 ? self::SYNC_COUNTER_AT : null,
        );
    }

    private function sender(SendSide $send, WireUniverse $link): FrameSender
    {
        return match (true) {
            $send instanceof ArtNetSend => new ArtNetSender($link->number),
            $send instanceof SacnSend => new SacnSender(
                $this->identity->cid,
                $link->number,
                $send->priority,
                $send->sourceName,
                $send->syncUniverse,
                $send->prioritiesBySlot(),
            ),
            default => new DmxLineSender(),
        };
    }

    /**
     * Where the other end may answer or looks at the sender's port number, the
     * listening end is sent from: OSC's own receive port, Art-Net's one port.
     */
    private function via(PortEntry $port, SendSide $send): string
    {
        if ($port->link->kind !== LinkKind::Udp) {
            return Entrances::key($port);
        }
        $listening = match (true) {
            $port->protocol === Protocol::Osc
                && $port->receive !== null => "osc {$port->receive->address}:{$port->receive->port}",
            $port->protocol === Protocol::ArtNet => "art-net {$send->address}:{$send->port}",
            default => '',
        };

        return isset($this->endpoints[$listening]) ? $listening : "{$send->address}:0";
    }
}
