<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;

/** Which slots each route sets, as far as it is switched on in the show. */
final class RouteSlots
{
    /** @var \WeakMap<Route, list<Reference>>|null points that a route sets: a route never changes, and lives on in the next plan */
    private static ?\WeakMap $known = null;

    /**
     * @param array<string, Route> $routes
     * @param \Closure(): void $between called between two routes
     *
     * @return array<string, array<string, array<int, true>>> slots, 0 to 511, by universe and owner
     */
    public static function of(array $routes, Patch $patch, \Closure $between): array
    {
        /** @var \WeakMap<Route, list<Reference>> $known */
        $known = self::$known ??= new \WeakMap();
        $slots = [];
        foreach ($routes as $route) {
            $between();
            foreach ($route->enabled ? $known[$route] ??= self::sets($route->actions) : [] as $reference) {
                [$universe, $ofIt] = self::slots($reference, $patch);
                foreach ($ofIt as $slot) {
                    $slots[$universe][$route->owner][$slot] = true;
                }
            }
        }

        return $slots;
    }

    /** @return array{string, list<int>} */
    private static function slots(Reference $reference, Patch $patch): array
    {
        return $reference->kind === 'slot'
            ? [$reference->id, [(int) $reference->part - 1]]
            : ($reference->kind === 'fixture' ? $patch->places($reference->id, $reference->part) : ['', []]);
    }

    /**
     * @param array<mixed> $actions
     *
     * @return list<Reference> points that these actions set, and those within them
     */
    private static function sets(array $actions): array
    {
        $sets = [];
        foreach ($actions as $action) {
            if ($action instanceof SetAction) {
                $sets[] = $action->point;
            }
            foreach ($action instanceof Kind ? $action::fields() : [] as $field) {
                $inner = $field->type() === 'parts' ? ((array) $action)[$field->name] ?? [] : [];
                array_push($sets, ...self::sets(\is_array($inner) ? $inner : []));
            }
        }

        return $sets;
    }
}
