<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Route\MessageToSlot;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Show\RangeEntry;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\UniverseEntry;
use NimbleJunction\Core\Universe\Rules;
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
        $patch = $show->patch();
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
        $fineParts = array_map(static fn(UniverseEntry $universe): array => $patch->fineParts($universe->id), $show->universes);
        foreach ($show->routes as $route) {
            if ($route->fromMessage) {
                $messageRoutes[$route->message->port][$route->message->address][] = $this->messageToSlot($route, $fineParts[$route->slot->universe][$route->slot->slot] ?? null);
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

        return new Plan(
            $show->name,
            array_map(fn(UniverseEntry $universe): array => $this->universe($universe, $patch), $show->universes),
            $ports,
            $endpoints,
            $exits->outlets(),
            $messageOutlets,
            $messageRoutes,
            $slotRoutes,
            $copies,
            (new Announcing($show, $this->identity, $exits))->announcements($messageOutlets),
            self::order($copies),
            $show->middleC,
        );
    }

    /** @return array{name: string, rules: Rules, shaping: ?Shaping} */
    private function universe(UniverseEntry $universe, Patch $patch): array
    {
        $wide = new WideParameters($patch->wide($universe->id));

        return [
            'name' => $universe->name,
            'rules' => $universe->rules->patched($patch->latest($universe->id), $wide),
            'shaping' => $universe->shapes === [] ? null : new Shaping($universe->shapes, $wide),
        ];
    }

    /** @param array{string, int}|null $fine the parameter that the route's slot is a finer part of, and its coarsest slot */
    private function messageToSlot(RouteEntry $route, ?array $fine): MessageToSlot
    {
        $refusal = $fine === null ? '' : "slot {$route->slot->slot} is a finer part of {$fine[0]}: give the route its coarsest slot, {$fine[1]}, which sets all of it";

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
            $refusal,
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

    /**
     * Copies never run in a circle: a show that does is refused.
     *
     * @param array<string, list<Copy>> $copies by the universe that they are taken from
     *
     * @return array<string, int> by universe
     */
    private static function order(array $copies): array
    {
        $order = [];
        // The longest chain of universes is as long as there are universes to copy from.
        for ($round = \count($copies); $round >= 0; --$round) {
            $hasMoved = false;
            foreach ($copies as $from => $list) {
                $order[$from] ??= 0;
                foreach ($list as $copy) {
                    if (($order[$copy->toUniverse] ?? 0) <= $order[$from]) {
                        $order[$copy->toUniverse] = $order[$from] + 1;
                        $hasMoved = true;
                    }
                }
            }
            if (! $hasMoved) {
                break;
            }
        }

        return $order;
    }
}
