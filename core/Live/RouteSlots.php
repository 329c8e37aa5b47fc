<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;

/** Which slots each route sets, as far as it is switched on in the show. */
final class RouteSlots
{
    /** @return array<string, array<string, array<int, true>>> slots, 0 to 511, by universe and owner */
    public static function of(Plan $plan): array
    {
        $slots = [];
        foreach ($plan->index->routes as $route) {
            foreach ($route->enabled ? self::sets($route->actions) : [] as $reference) {
                [$universe, $ofIt] = self::slots($reference, $plan);
                foreach ($ofIt as $slot) {
                    $slots[$universe][$route->owner][$slot] = true;
                }
            }
        }

        return $slots;
    }

    /** @return array{string, list<int>} */
    private static function slots(Reference $reference, Plan $plan): array
    {
        if ($reference->kind === 'slot') {
            return [$reference->id, [(int) $reference->part - 1]];
        }
        $slots = $reference->kind === 'fixture' ? $plan->patch->slots($reference->id, $reference->part, 0.0) : null;

        return $slots === null ? ['', []] : [
            $slots['universe'],
            array_map(static fn(int $slot): int => $slot - 1, array_keys($slots['levels'])),
        ];
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
