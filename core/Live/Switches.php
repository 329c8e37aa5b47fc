<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Which routes have been switched on or off by hand, or by a route; for all others the show's own word counts. */
final class Switches implements Room
{
    /** @var array<string, bool> by route */
    private array $switched = [];

    /** @param array<string, Route> $routes by id: of all others nothing is kept */
    public function keep(array $routes): void
    {
        $this->switched = array_intersect_key($this->switched, $routes);
    }

    public function isEnabled(Route $route): bool
    {
        return $this->switched[$route->id] ?? $route->enabled;
    }

    public function turn(string $routeId, bool $isOn): void
    {
        $this->switched[$routeId] = $isOn;
    }

    public function key(): string
    {
        return 'switched';
    }

    public function revisions(): array
    {
        return array_map(intval(...), $this->switched);
    }

    public function kept(string $part, int $now): bool
    {
        return $this->switched[$part] ?? false;
    }

    /** @param array<string, Route> $routes of the plan of now */
    public function restore(Stored $stored, array $routes): void
    {
        foreach (array_intersect($stored->names(), array_keys($routes)) as $id) {
            $this->switched[$id] = $stored->flag($id);
        }
    }
}
