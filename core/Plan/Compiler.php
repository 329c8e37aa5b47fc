<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Route\MessageToSlot;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Show\RangeEntry;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\UniverseEntry;
use NimbleJunction\Core\Universe\MergeRule;
use NimbleJunction\Core\Universe\Shaping;

/** Makes a plan of a show. A show that has been read always compiles. */
final readonly class Compiler
{
    public function __construct(private Identity $identity)
    {
    }

    public function compile(Show $show): Plan
    {
        $ports = $messageRoutes = $slotRoutes = $copies = [];
        $entrances = new Entrances($show, $this->identity);
        foreach ($show->ports as $port) {
            $ports[$port->id] = [
                'name' => $port->name,
                'protocol' => $port->protocol,
                'enabled' => $port->enabled,
                'receives' => $port->receives(),
                'sends' => $port->sends(),
                'via' => $port->receives() || $port->link->kind !== \NimbleJunction\Core\Show\LinkKind::Udp ? Entrances::key($port) : '',
            ];
        }
        foreach ($show->routes as $route) {
            if ($route->fromMessage) {
                $messageRoutes[$route->message->port][$route->message->address][] = $this->messageToSlot($route);
            } elseif ($route->enabled) {
                $slotRoutes[$route->slot->universe][$route->slot->slot - 1][] = $this->slotToMessage($route, $show);
            }
        }
        foreach ($show->ranges as $range) {
            if ($range->enabled) {
                $copies[$range->from][] = $this->copy($range);
            }
        }
        $endpoints = $entrances->compile();
        $exits = new Exits($show, $this->identity, $endpoints);
        $messageOutlets = $exits->messageOutlets();
        $patch = $show->patch();

        return new Plan(
            $show->name,
            array_map(static fn(UniverseEntry $universe): array => [
                'name' => $universe->name,
                'rules' => $universe->rules->merge === MergeRule::Slot ? $universe->rules->andLatest($patch->latest($universe->id)) : $universe->rules,
                'shaping' => $universe->shapes === [] && $universe->swaps === [] ? null : new Shaping($universe->shapes, $universe->swaps),
            ], $show->universes),
            $ports,
            $endpoints,
            $exits->outlets(),
            $messageOutlets,
            $messageRoutes,
            $slotRoutes,
            $copies,
            (new Announcing($show, $this->identity, $exits))->announcements($messageOutlets),
        );
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

    private function slotToMessage(RouteEntry $route, Show $show): SlotToMessage
    {
        return new SlotToMessage(
            $route->id,
            $route->name,
            $route->enabled,
            $route->slot->universe,
            $route->slot->slot - 1,
            $route->message->port,
            $show->ports[$route->message->port]->protocol,
            $route->message->address,
            $route->message->type === 'float',
            new Scale($route->slot->low, $route->slot->high, $route->message->low, $route->message->high),
        );
    }

    private function copy(RangeEntry $range): Copy
    {
        return new Copy($range->id, $range->name, $range->to, $range->first - 1, $range->count, $range->at - 1, $range->repeat, $range->limit - 1);
    }
}
