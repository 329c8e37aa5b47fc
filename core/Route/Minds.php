<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** The minds of all parts of all routes: each begins empty, when it is asked for. */
final class Minds
{
    /** @var array<string, array<string, Mind>> by route, and by part of it */
    private array $minds = [];

    /** @var array<string, int> rises whenever a mind of a route may have changed */
    private array $changes = [];

    /** @var array<string, list<class-string>> what each route was made of, as far as it has any */
    private array $made = [];

    public function of(Route $route, string $part): Mind
    {
        $this->changes[$route->id] = ($this->changes[$route->id] ?? 0) + 1;
        $this->made[$route->id] ??= $route->made();

        return $this->minds[$route->id][$part] ??= new Mind();
    }

    /**
     * Routes that are made of other parts now begin anew.
     *
     * @param array<string, Route> $routes by id
     */
    public function adopt(array $routes): void
    {
        foreach ($this->made as $id => $made) {
            if (($routes[$id] ?? null)?->made() !== $made) {
                unset($this->minds[$id], $this->made[$id], $this->changes[$id]);
            }
        }
    }

    /** @return array<string, int> by route */
    public function changes(): array
    {
        return $this->changes;
    }

    /** @return array<string, array<string, float>> what is kept of a route, by part and name */
    public function kept(string $routeId): array
    {
        return array_filter(array_map(static fn(Mind $mind): array => $mind->kept, $this->minds[$routeId] ?? []));
    }
}
