<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Route\Action\SendAction;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;

/** Which routes wait for messages of a port or send some there: found once a show, however many ports ask. */
final class RoutesAtPort
{
    /** @var \WeakMap<Show, self>|null */
    private static ?\WeakMap $known = null;

    /** @var array<string, array<string, RouteEntry>> by port and id, in the order of the show */
    private array $byPort = [];

    private function __construct(Show $show)
    {
        foreach ($show->routes as $route) {
            foreach (self::ports($route) as $port) {
                $this->byPort[$port][$route->id] = $route;
            }
        }
    }

    /** @return list<RouteEntry> in the order of the show */
    public static function of(string $portId, Show $show): array
    {
        /** @var \WeakMap<Show, self> $known */
        $known = self::$known ??= new \WeakMap();
        $all = $known[$show] ??= new self($show);

        return array_values($all->byPort[$portId] ?? []);
    }

    /** @return list<string> */
    private static function ports(RouteEntry $route): array
    {
        $ports = $route->ends === null ? [] : [$route->ends->message->port];
        foreach ($route->route->triggers ?? [] as $trigger) {
            $ports[] = explode(' ', $trigger->keys()[0] ?? '', 2)[0];
        }
        foreach ($route->route->actions ?? [] as $action) {
            if ($action instanceof SendAction) {
                $ports[] = $action->port;
            }
        }

        return $ports;
    }
}
