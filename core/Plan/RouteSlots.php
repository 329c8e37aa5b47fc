<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Pixels\Pixels;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;

/** Which slots each route sets, as far as it is switched on in the show. */
final class RouteSlots
{
    /**
     * @var \WeakMap<Route, array<string, array<int, true>>>|null slots of a route by universe: it never changes, and lives on
     * in the next plan
     */
    private static ?\WeakMap $known = null;

    /** @var \WeakMap<Route, list<Reference>>|null points that it sets, whatever the patch */
    private static ?\WeakMap $points = null;

    /** The patch that they are known for. */
    private static ?Patch $patch = null;

    /** The pixel maps that they are known for. */
    private static ?Pixels $pixels = null;

    /**
     * @param array<string, Route> $routes
     * @param \Closure(): void $between called between two routes
     *
     * @return array<string, array<string, array<int, true>>> slots, 0 to 511, by universe and owner
     */
    public static function of(array $routes, Patch $patch, Pixels $pixels, \Closure $between): array
    {
        if (
            self::$known === null
            || self::$patch?->profiles !== $patch->profiles
            || self::$patch->groups->groups !== $patch->groups->groups
            || self::$pixels?->maps !== $pixels->maps
        ) {
            self::$known = new \WeakMap();
        }
        $moved = self::moved(self::$patch->fixtures ?? [], $patch->fixtures);
        self::$patch = $patch;
        self::$pixels = $pixels;
        $slots = [];
        $known = self::$known;
        foreach ($routes as $route) {
            $between();
            if ($moved !== [] && self::sets($route, $moved)) {
                unset($known[$route]);
            }
            foreach ($route->enabled ? $known[$route] ??= self::ofRoute($route, $patch, $pixels) : [] as $universe => $ofIt) {
                $slots[$universe][$route->owner] = $ofIt + ($slots[$universe][$route->owner] ?? []);
            }
        }

        return $slots;
    }

    /**
     * @param array<string, Fixture> $before
     * @param array<string, Fixture> $after
     *
     * @return array<string, true> ids of fixtures that are otherwise
     */
    private static function moved(array $before, array $after): array
    {
        $moved = [];
        foreach ($before === $after ? [] : $before + $after as $id => $fixture) {
            if (($before[$id] ?? null) !== ($after[$id] ?? null)) {
                $moved[(string) $id] = true;
            }
        }

        return $moved;
    }

    /** @param array<string, true> $fixtures */
    private static function sets(Route $route, array $fixtures): bool
    {
        foreach (self::points($route) as $reference) {
            // A group may have any of them.
            if ($reference->kind === 'group' || ($reference->kind === 'fixture' && isset($fixtures[$reference->id]))) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Reference> points that a route sets */
    private static function points(Route $route): array
    {
        /** @var \WeakMap<Route, list<Reference>> $points */
        $points = self::$points ??= new \WeakMap();

        return $points[$route] ??= self::setBy($route->actions);
    }

    /** @return array<string, array<int, true>> by universe */
    private static function ofRoute(Route $route, Patch $patch, Pixels $pixels): array
    {
        $slots = [];
        foreach (self::points($route) as $reference) {
            foreach (self::placements($reference, $patch, $pixels) as $placement) {
                $universe = $placement->universeId;
                $slots[$universe] = ($slots[$universe] ?? []) + array_fill_keys($placement->slots, true);
            }
            if ($reference->kind === 'slot') {
                $slots[$reference->id][(int) $reference->part - 1] = true;
            }
        }

        return $slots;
    }

    /** @return list<Placement> */
    private static function placements(Reference $reference, Patch $patch, Pixels $pixels): array
    {
        if ($reference->kind === 'pixels') {
            return $pixels->placements($reference->id, $reference->part);
        }
        $fixtures = match ($reference->kind) {
            'fixture' => [$reference->id],
            'group' => $patch->having($reference->id, $reference->part),
            default => [],
        };

        return array_values(array_filter(array_map(
            static fn(string $id): ?Placement => $patch->find($id, $reference->part),
            $fixtures,
        )));
    }

    /**
     * @param array<mixed> $actions
     *
     * @return list<Reference> points that these actions set, and those within them
     */
    private static function setBy(array $actions): array
    {
        $sets = [];
        foreach ($actions as $action) {
            if ($action instanceof SetAction) {
                $sets[] = $action->point;
            }
            foreach ($action instanceof Kind ? $action::fields() : [] as $field) {
                $inner = $field->type() === 'parts' ? ((array) $action)[$field->name] ?? [] : [];
                array_push($sets, ...self::setBy(\is_array($inner) ? $inner : []));
            }
        }

        return $sets;
    }
}
