<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Codec\ArtNetReceiver;
use NimbleJunction\Core\Codec\DmxLineReceiver;
use NimbleJunction\Core\Codec\GameControllerReceiver;
use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Codec\Receiver;
use NimbleJunction\Core\Codec\SacnReceiver;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\Side\GameControllerReceive;
use NimbleJunction\Core\Show\Side\ReceiveSide;
use NimbleJunction\Core\Signal\Protocol;

/** The endpoints of a show: every place that bytes come in at, or that has to be open for them to go out. */
final class Entrances
{
    /** @var list<array{bytes: string, addresses: list<int>}>|null the same from every address of ours but for the address */
    private ?array $replies = null;

    public function __construct(private readonly Show $show, private readonly Identity $identity)
    {
    }

    /** The key of the endpoint that a port receives at; ports with the same one share it. */
    public static function key(PortEntry $port): string
    {
        $kind = $port->link->kind;
        if ($kind->hasDevice()) {
            return "{$port->protocol->value} {$kind->value} {$port->link->device}";
        }
        $address = $port->receive->address ?? $port->send->address ?? '0.0.0.0';
        $number = $port->receive->port ?? 0;

        return match ($kind) {
            LinkKind::Tcp => "osc tcp {$port->link->framing} ".($port->receive === null ? $port->id : "{$address}:{$number}"),
            LinkKind::Session => 'midi session '.($port->receive === null ? $port->id : "{$address}:{$number}"),
            default => "{$port->protocol->value} {$address}:{$number}",
        };
    }

    /** @return array<string, Endpoint> by key */
    public function compile(): array
    {
        $shared = [];
        foreach ($this->show->ports as $port) {
            $isUdp = $port->link->kind === LinkKind::Udp;
            if ($port->receives() || (! $isUdp && $port->sends())) {
                $shared[self::key($port)][] = $port;
            }
        }

        return array_combine(array_keys($shared), array_map($this->endpoint(...), array_keys($shared), $shared));
    }

    /** @param non-empty-list<PortEntry> $ports that meet there */
    private function endpoint(string $key, array $ports): Endpoint
    {
        $first = $ports[0];
        $mappings = $groups = $portIds = $allowed = $peers = [];
        foreach ($ports as $port) {
            if ($port->allow !== []) {
                $allowed[$port->id] = new AllowList($port->allow);
            }
            if ($port->link->kind !== LinkKind::Udp && $port->send !== null && $port->sends()) {
                $number = $port->send->port;
                array_push(
                    $peers,
                    ...array_map(static fn(string $to): Destination => new Destination($key, $to, $number), $port->send->to),
                );
            }
            $receive = $port->receive;
            if ($receive === null || ! $port->receives()) {
                continue;
            }
            $portIds[] = $port->id;
            foreach ($receive->feeds as $link) {
                $mappings[$link->number][] = $this->mapping($port, $receive, $link->universe);
            }
            array_push($groups, ...$receive->groups());
        }
        $receive = $first->receive;

        return new Endpoint(
            $key,
            $first->link->kind,
            $receive->address ?? $first->send->address ?? '0.0.0.0',
            $receive->port ?? 0,
            $this->receiver($first),
            $portIds,
            $mappings,
            array_values(array_unique($groups)),
            $allowed,
            $first->link->device,
            $first->link->framing,
            $peers,
            "{$this->identity->name}: {$first->name}",
        );
    }

    private function mapping(PortEntry $port, ReceiveSide $receive, string $universe): Mapping
    {
        $timeOut = $receive->timeOut();

        return new Mapping(
            $port->id,
            $universe,
            $receive->priority(),
            $receive->isLastResort(),
            $receive->prioritiesOfSenders(),
            $timeOut === null ? null : (int) round($timeOut * 1e9),
        );
    }

    private function receiver(PortEntry $port): Receiver
    {
        return match ($port->protocol) {
            Protocol::ArtNet => new ArtNetReceiver(
                PollReplies::from($port->receive->address ?? '0.0.0.0', $this->replies()),
                $this->mark(),
            ),
            Protocol::Sacn => new SacnReceiver($this->identity->cid),
            Protocol::Osc => new OscCodec(),
            Protocol::DmxLine => new DmxLineReceiver(),
            Protocol::Midi => new MidiCodec(),
            Protocol::GameController => $port->receive instanceof GameControllerReceive
                ? new GameControllerReceiver($port->receive->deadZone, $port->receive->centres)
                : new GameControllerReceiver(0.0, []),
        };
    }

    /** @return list<array{bytes: string, addresses: list<int>}> */
    private function replies(): array
    {
        return $this->replies ??= (new PollReplies($this->show, $this->identity, $this->mark()))->pages('0.0.0.0');
    }

    /** What tells our own poll replies from those of another junction. */
    private function mark(): string
    {
        return substr(md5($this->identity->cid), 0, 8);
    }
}
