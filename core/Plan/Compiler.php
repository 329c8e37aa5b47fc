<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Programme\Lanes;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Show\CopyEntry;
use NimbleJunction\Core\Show\Ends;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\UniverseEntry;
use NimbleJunction\Core\Universe\Aim;
use NimbleJunction\Core\Universe\Dimming;
use NimbleJunction\Core\Universe\Rules;
use NimbleJunction\Core\Universe\Safety;
use NimbleJunction\Core\Universe\Shaping;
use NimbleJunction\Core\Universe\Stages;

/** Makes a plan of a show. A show that has been read always compiles. */
final readonly class Compiler
{
    public function __construct(private Identity $identity)
    {
    }

    /**
     * @param array<string, bool> $switched ports that are on or off otherwise than the show says, by id
     * @param Plan|null $before the plan that runs: what is as it was is taken from there
     * @param \Closure(): void|null $between called between two parts: whoever has other things to do does them then
     */
    public function compile(Show $show, array $switched = [], ?Plan $before = null, ?\Closure $between = null): Plan
    {
        $between ??= static function (): void {
        };
        $origin = new Origin($show, $this);
        $show = $show->switched($switched);
        $ports = $routes = $slotRoutes = $copies = [];
        $patch = $show->patch();
        $entrances = new Entrances($show, $this->identity);
        foreach ($show->ports as $port) {
            $ports[$port->id] = [
                'name' => $port->name,
                'protocol' => $port->protocol,
                'enabled' => $port->enabled,
                'receives' => $port->receives(),
                'sends' => $port->sends(),
                'via' => $port->receives() || $port->link->kind !== \NimbleJunction\Core\Show\LinkKind::Udp
                    ? Entrances::key($port)
                    : '',
            ];
        }
        foreach ($show->routes as $route) {
            $between();
            if ($route->route !== null) {
                $routes[$route->id] = $route->route;
            } elseif ($route->ends !== null) {
                $slotRoutes[$route->ends->slot->universe][$route->ends->slot->slot - 1][] = $this->slotToMessage($route, $route->ends, $show);
            }
        }
        $routes += $show->offered()->routes()
            + $show->programme()->routes
            + $show->surfaces()->routes
            + $show->panels()->routes
            + $show->timelines()->routes
            + $show->timetable()->routes;
        foreach ($show->copies as $copy) {
            if ($copy->enabled) {
                $copies[$copy->from][] = $this->copy($copy);
            }
        }
        $endpoints = $entrances->compile();
        $between();
        $exits = new Exits($show, $this->identity, $endpoints);
        $messageExits = $exits->messageExits();

        $was = $before?->origin?->show;
        $areRoutesTheSame = $before !== null
            && $was?->routes === $show->routes
            && $was->offers === $show->offers
            && $was->looks === $show->looks
            && $was->lists === $show->lists
            && $was->waves === $show->waves
            && $was->surfaces === $show->surfaces
            && $was->panels === $show->panels
            && $was->timelines === $show->timelines
            && $was->occasions === $show->occasions;
        $isPatchTheSame = $was?->fixtures === $show->fixtures
            && $was->profiles === $show->profiles
            && $was->groups === $show->groups
            && $was->pixels === $show->pixels;
        $universes = [];
        $masterings = new Masterings($patch, $show->masters);
        foreach ($show->universes as $id => $universe) {
            $between();
            $beside = Intensities::beside($universe->id);
            if ($before !== null && isset($before->universes[$id]) && self::isPatchedAlike($universe, $was, $show)) {
                $universes += array_intersect_key($before->universes, [$beside => true]) + [$id => $before->universes[$id]];

                continue;
            }
            $intensities = $patch->intensities($universe->id);
            if ($intensities->placements !== []) {
                $universes[$beside] = self::beside($universe, $intensities, $masterings);
            }
            $universes[$id] = $this->universe($universe, $patch, $intensities, $masterings);
        }

        return new Plan(
            $show->name,
            $universes,
            $ports,
            $endpoints,
            $exits->exits(),
            $messageExits,
            $areRoutesTheSame ? $before->index : new RouteIndex($routes, $between, $before?->index),
            $slotRoutes,
            $copies,
            (new Announcing($show, $this->identity, $exits))->announcements($messageExits),
            self::order($copies),
            $show->middleC,
            $show->agreed(),
            $patch,
            $show->values,
            $origin,
            $areRoutesTheSame && $isPatchTheSame
                ? $before->routeSlots
                : RouteSlots::of($routes, $patch, $show->pixels(), $between),
            $show->pixels(),
            $show->offered(),
            $show->programme(),
            self::lanes($show, $universes, $before, $between),
            $show->surfaces(),
            $show->panels(),
            $show->timelines(),
            $was?->occasions === $show->occasions && $before !== null ? $before->timetable : $show->timetable(),
            $show->desks,
        );
    }

    /**
     * What looks and cues name, looked up before anybody recalls it.
     *
     * @param array<string, array{name: string, rules: Rules, stages: Stages}> $universes
     * @param \Closure(): void $between
     */
    private static function lanes(Show $show, array $universes, ?Plan $before, \Closure $between): Lanes
    {
        $rules = array_map(static fn(array $one): Rules => $one['rules'], $universes);
        $raw = array_map(
            static fn(): bool => true,
            array_filter($show->universes, static fn(UniverseEntry $universe): bool => $universe->rawLights),
        );
        $lanes = $before !== null && $before->lanes->areOf($show->patch(), $rules, $raw)
            ? $before->lanes
            : new Lanes($show->patch(), $rules, $raw);
        foreach ($show->programme()->values() as $values) {
            $between();
            $lanes->prepare($values);
        }

        return $lanes;
    }

    /** Whether a universe and all that listens in it are what they were: then it is compiled already. */
    private static function isPatchedAlike(UniverseEntry $universe, ?Show $was, Show $show): bool
    {
        return $was !== null
            && ($was->universes[$universe->id] ?? null) === $universe
            && $was->profiles === $show->profiles
            && $was->pixels === $show->pixels
            && $was->offers === $show->offers
            && $was->masters === $show->masters
            && $was->groups === $show->groups
            && $was->patch()->in($universe->id) === $show->patch()->in($universe->id);
    }

    /** @return array{name: string, rules: Rules, stages: Stages} */
    private function universe(UniverseEntry $universe, Patch $patch, Intensities $intensities, Masterings $masterings): array
    {
        $wide = new WideParameters($patch->wide($universe->id));
        $defaults = $patch->defaults($universe->id);

        return [
            'name' => $universe->name,
            'rules' => $universe->rules->patched($patch->latest($universe->id), $wide, $defaults),
            'stages' => new Stages(
                $universe->shapes === [] ? null : new Shaping($universe->shapes, $wide),
                Safety::of($patch->never($universe->id), $defaults),
                array_map(static fn(array $one): Aim => new Aim(...$one), $patch->aimed($universe->id)),
                Dimming::of($intensities),
                $masterings->of($universe->id, $universe->rawLights),
            ),
        ];
    }

    /**
     * The virtual intensities of a universe: full while nobody gives them.
     *
     * @return array{name: string, rules: Rules, stages: Stages}
     */
    private static function beside(UniverseEntry $universe, Intensities $intensities, Masterings $masterings): array
    {
        $rules = new Rules(MergeRule::Slot);

        return [
            'name' => "Intensities of {$universe->name}",
            'rules' => $rules->patched($intensities->latest(), new WideParameters($intensities->wide()), Bytes::$all),
            'stages' => new Stages(mastering: $masterings->beside($intensities)),
        ];
    }

    private function slotToMessage(RouteEntry $route, Ends $ends, Show $show): SlotToMessage
    {
        return new SlotToMessage(
            $route->id,
            $route->name,
            $route->enabled,
            $ends->slot->universe,
            $ends->slot->slot - 1,
            $ends->message->port,
            $show->ports[$ends->message->port]->protocol,
            $ends->message->address,
            $ends->message->type === 'float',
            new Scale($ends->slot->low, $ends->slot->high, $ends->message->low, $ends->message->high),
        );
    }

    private function copy(CopyEntry $entry): Copy
    {
        return new Copy(
            $entry->id,
            $entry->name,
            $entry->to,
            $entry->first - 1,
            $entry->count,
            $entry->at - 1,
            $entry->repeat,
            $entry->limit - 1,
        );
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
