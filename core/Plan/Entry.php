<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger;

/** Where a trigger of a route stands in the index. */
final class Entry
{
    /** @var \WeakMap<Route, list<self>>|null nothing in a value may hold its route, or it would never go */
    private static ?\WeakMap $known = null;

    /**
     * @param string $place port, or "*point", "*occurred"
     * @param string $key what is heard there; or how it begins
     */
    private function __construct(
        public readonly string $place,
        public readonly string $key,
        public readonly bool $isBeginning,
        public readonly Trigger $trigger,
    ) {
    }

    /** @return list<self> said once a route: it never changes, and lives on in the next plan */
    public static function of(Route $route): array
    {
        /** @var \WeakMap<Route, list<self>> $known */
        $known = self::$known ??= new \WeakMap();

        return $known[$route] ??= self::made($route);
    }

    /** @return list<self> */
    private static function made(Route $route): array
    {
        $entries = [];
        foreach ($route->triggers as $trigger) {
            foreach ($trigger->keys() as $key) {
                [$place, $rest] = explode(' ', $key, 2);
                $isBeginning = str_ends_with($rest, Heard::ANY);
                $entries[] = new self(
                    $place,
                    $isBeginning ? substr($rest, 0, -\strlen(Heard::ANY)) : $rest,
                    $isBeginning,
                    $trigger,
                );
            }
        }

        return $entries;
    }
}
