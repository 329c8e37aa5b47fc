<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Port\ArtNetReceiver;
use NimbleJunction\Core\Port\ArtNetSender;
use NimbleJunction\Core\Port\DmxLineReceiver;
use NimbleJunction\Core\Port\DmxLineSender;
use NimbleJunction\Core\Port\FrameSender;
use NimbleJunction\Core\Port\OscCodec;
use NimbleJunction\Core\Port\Receiver;
use NimbleJunction\Core\Port\SacnReceiver;
use NimbleJunction\Core\Port\SacnSender;
use NimbleJunction\Core\Route\MessageToSlot;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\SendSide;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\UniverseLink;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Cadence;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Sacn\Universe as SacnUniverse;

/** Makes a plan of a show. A show that has been read always compiles. */
final readonly class Compiler
{
    public function __construct(private Identity $identity)
    {
    }

    public function compile(Show $show): Plan
    {
        $universes = $ports = $messageRoutes = $slotRoutes = [];
        foreach ($show->universes as $universe) {
            $universes[$universe->id] = ['name' => $universe->name, 'merge' => $universe->merge, 'whenLost' => $universe->whenLost];
        }
        foreach ($show->ports as $port) {
            $ports[$port->id] = [
                'name' => $port->name,
                'protocol' => $port->protocol,
                'enabled' => $port->enabled,
                'receives' => $port->receives(),
                'sends' => $port->sends(),
            ];
        }
        foreach ($show->routes as $route) {
            if ($route->fromMessage) {
                $messageRoutes[$route->message->port][$route->message->address][] = $this->messageToSlot($route);
            } elseif ($route->enabled) {
                $slotRoutes[$route->slot->universe][$route->slot->slot - 1][] = $this->slotToMessage($route);
            }
        }
        $endpoints = $this->endpoints($show);

        return new Plan(
            $show->name,
            $universes,
            $ports,
            $endpoints,
            $this->outlets($show, $endpoints),
            $this->messageTargets($show, $endpoints),
            $messageRoutes,
            $slotRoutes,
        );
    }

    /** @return array<string, Endpoint> */
    private function endpoints(Show $show): array
    {
        $shared = [];
        foreach ($show->ports as $port) {
            $receive = $port->receive;
            if ($receive === null || ! $port->receives()) {
                continue;
            }
            // A group can only be joined by a socket that is not bound to one of our own addresses.
            $address = $receive->multicast ? '0.0.0.0' : $receive->address;
            $key = "{$port->protocol->value} {$address}:{$receive->port}";
            $shared[$key] ??= ['address' => $address, 'port' => $receive->port, 'adapter' => null, 'groups' => [], 'ports' => [], 'mappings' => [], 'protocol' => $port->protocol];
            $shared[$key]['ports'][] = $port->id;
            if ($receive->multicast) {
                $shared[$key]['adapter'] = $receive->address;
            }
            foreach ($receive->feeds as $link) {
                $shared[$key]['mappings'][$link->number][] = new Mapping(
                    $port->id,
                    $link->universe,
                    $port->protocol === Protocol::Sacn ? null : $receive->priority,
                    $receive->lastResort,
                );
                if ($receive->multicast) {
                    $shared[$key]['groups'][] = SacnUniverse::multicastGroup($link->number);
                }
            }
        }

        return array_combine(array_keys($shared), array_map(
            fn(string $key, array $one): Endpoint => new Endpoint(
                $key,
                $one['address'],
                $one['port'],
                $one['adapter'],
                array_values(array_unique($one['groups'])),
                $one['ports'],
                $one['mappings'],
                $this->receiver($one['protocol'], $one['address'], $show),
            ),
            array_keys($shared),
            $shared,
        ));
    }

    private function receiver(Protocol $protocol, string $address, Show $show): Receiver
    {
        return match ($protocol) {
            Protocol::ArtNet => new ArtNetReceiver($this->pollReplies($show, $address)),
            Protocol::Sacn => new SacnReceiver(),
            Protocol::Osc => new OscCodec(),
            Protocol::DmxLine => new DmxLineReceiver(),
        };
    }

    /**
     * One page for each port-address that we listen to or send, as nodes with more than four ports do.
     *
     * @return list<string>
     */
    private function pollReplies(Show $show, string $address): array
    {
        $replies = [];
        foreach ($show->ports as $port) {
            if ($port->protocol !== Protocol::ArtNet) {
                continue;
            }
            // Seen from the node, what it takes from the network is its output to a line.
            $sides = [
                [NodePort::output(...), $port->receives() ? $port->receive->feeds ?? [] : []],
                [NodePort::input(...), $port->sends() ? $port->send->carries ?? [] : []],
            ];
            foreach ($sides as [$make, $links]) {
                foreach ($links as $link) {
                    $replies[] = (new PollReply(
                        $address,
                        $this->identity->name,
                        "{$this->identity->name}: {$port->name}",
                        [$make($link->number & 15)],
                        $link->number >> 8,
                        $link->number >> 4 & 15,
                        min(255, \count($replies) + 1),
                        '#0001 [0000] all is well',
                        style: 1,
                    ))->encode();
                }
            }
        }

        return \array_slice($replies, 0, 64);
    }

    /**
     * @param array<string, Endpoint> $endpoints
     *
     * @return array<string, list<Outlet>> by universe
     */
    private function outlets(Show $show, array $endpoints): array
    {
        $outlets = [];
        foreach ($show->ports as $port) {
            $send = $port->send;
            if ($send === null || ! $port->sends()) {
                continue;
            }
            foreach ($send->carries as $link) {
                $targets = $this->targets($port, $send, $link, $endpoints);
                $number = match ($port->protocol) {
                    Protocol::ArtNet => "port-address {$link->number}",
                    Protocol::Sacn => "sACN universe {$link->number}",
                    default => 'the line',
                };
                $outlets[$link->universe][] = new Outlet(
                    "{$port->id} {$port->protocol->value} {$link->number} {$link->universe}",
                    $port->id,
                    $link->universe,
                    "{$number} to ".implode(', ', array_map(static fn(Target $target): string => $target->spelled(), $targets)),
                    $this->sender($port->protocol, $send, $link),
                    $targets,
                    Cadence::of($port->protocol, $send->perSecond),
                );
            }
        }

        return $outlets;
    }

    private function sender(Protocol $protocol, SendSide $send, UniverseLink $link): FrameSender
    {
        return match ($protocol) {
            Protocol::ArtNet => new ArtNetSender($link->number),
            Protocol::Sacn => new SacnSender($this->identity->cid, $link->number, $send->priority, $send->sourceName),
            default => new DmxLineSender(),
        };
    }

    /**
     * @param array<string, Endpoint> $endpoints
     *
     * @return list<Target>
     */
    private function targets(PortEntry $port, SendSide $send, ?UniverseLink $link, array $endpoints): array
    {
        $via = $this->via($port, $send, $endpoints);
        if ($send->multicast && $link !== null) {
            return [new Target($via, SacnUniverse::multicastGroup($link->number), $send->port)];
        }

        return array_map(static fn(string $to): Target => new Target($via, $to, $send->port), $send->to);
    }

    /**
     * Where the other end may answer or looks at the sender's port number, the
     * listening end is sent from: OSC's own receive port, Art-Net's one port.
     *
     * @param array<string, Endpoint> $endpoints
     */
    private function via(PortEntry $port, SendSide $send, array $endpoints): string
    {
        $listening = match (true) {
            $port->protocol === Protocol::Osc && $port->receive !== null => "osc {$port->receive->address}:{$port->receive->port}",
            $port->protocol === Protocol::ArtNet => "art-net {$send->address}:{$send->port}",
            default => '',
        };

        return isset($endpoints[$listening]) ? $listening : "{$send->address}:0";
    }

    /**
     * @param array<string, Endpoint> $endpoints
     *
     * @return array<string, list<Target>>
     */
    private function messageTargets(Show $show, array $endpoints): array
    {
        $targets = [];
        foreach ($show->ports as $port) {
            if ($port->protocol === Protocol::Osc && $port->send !== null && $port->sends()) {
                $targets[$port->id] = $this->targets($port, $port->send, null, $endpoints);
            }
        }

        return $targets;
    }

    private function messageToSlot(RouteEntry $route): MessageToSlot
    {
        return new MessageToSlot(
            $route->id,
            $route->name,
            $route->enabled,
            $route->message->port,
            $route->message->address,
            $route->message->argument,
            $route->slot->universe,
            $route->slot->slot - 1,
            new Scale($route->message->low, $route->message->high, $route->slot->low, $route->slot->high),
        );
    }

    private function slotToMessage(RouteEntry $route): SlotToMessage
    {
        return new SlotToMessage(
            $route->id,
            $route->name,
            $route->enabled,
            $route->slot->universe,
            $route->slot->slot - 1,
            $route->message->port,
            $route->message->address,
            $route->message->type === 'float',
            new Scale($route->slot->low, $route->slot->high, $route->message->low, $route->message->high),
        );
    }
}
