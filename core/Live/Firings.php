<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** How often each route has acted. */
final class Firings implements Room
{
    private const MOST = 1_000_000_000_000;

    /** @var array<string, int> by route */
    private array $counts = [];

    /** @var array<string, int> when each has acted last, on the junction's clock; not kept over a restart */
    private array $times = [];

    /** @param array<string, mixed> $routes by id: of all others nothing is kept */
    public function keep(array $routes): void
    {
        $this->counts = array_intersect_key($this->counts, $routes);
        $this->times = array_intersect_key($this->times, $routes);
    }

    public function add(string $routeId, int $now): void
    {
        $this->times[$routeId] = $now;
        $this->counts[$routeId] = ($this->counts[$routeId] ?? 0) + 1;
    }

    /** @return int|null when a route has acted last, on the junction's clock; null where it never has */
    public function at(string $routeId): ?int
    {
        return $this->times[$routeId] ?? null;
    }

    public function of(string $routeId): int
    {
        return $this->counts[$routeId] ?? 0;
    }

    public function key(): string
    {
        return 'fired';
    }

    public function revisions(): array
    {
        return $this->counts;
    }

    public function kept(string $part, int $now): int
    {
        return $this->counts[$part] ?? 0;
    }

    /** @param list<string> $routes those of now */
    public function restore(Stored $stored, array $routes): void
    {
        foreach (array_intersect($stored->names(), $routes) as $id) {
            $this->counts[$id] = $stored->whole($id, 0, self::MOST) ?? 0;
        }
    }
}
