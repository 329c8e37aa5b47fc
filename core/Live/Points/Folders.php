<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Routing;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;

/** Folders of routes: all that lie in one are switched on and off together, until the show says otherwise. */
final class Folders extends PlanRoom
{
    public function __construct(private readonly Routing $routing)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['folder'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $first = $this->routes($reference)[0] ?? null;

        return $first === null
            ? null
            : new Point($reference, "Routes in {$first->folder}, enabled", PointKind::Switch, isSet: true);
    }

    /** Where some are on and others off it has no one value. */
    public function read(Reference $reference): ?int
    {
        $routes = $this->routes($reference);
        $on = array_filter($routes, fn(Route $route): bool => $this->routing->switches->isOn($route->id, $route->enabled));

        return match (\count($on)) {
            0 => $routes === [] ? null : 0,
            \count($routes) => 1,
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $routes = $this->routes($reference);
        foreach (is_numeric($value) ? $routes : [] as $route) {
            $this->routing->switches->turn($route->id, (float) $value > 0);
        }

        return match (true) {
            $routes === [] => 'there is no such folder',
            ! is_numeric($value) => 'a folder is on or off: 1 or 0',
            default => '',
        };
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return $this->set($reference, (int) ($this->read($reference) !== 1), $act, $now);
    }

    public function all(): iterable
    {
        $folders = [];
        foreach ($this->plan->index->routes as $route) {
            $folders[Route::folderId($route->folder)] = true;
        }
        foreach (array_keys($folders) as $folder) {
            $reference = Reference::parse("folder:{$folder}/enabled");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    /** @return list<Route> */
    private function routes(Reference $reference): array
    {
        $isMeant = static fn(Route $route): bool => $route->folder !== '' && Route::folderId($route->folder) === $reference->id;

        return $reference->part === 'enabled' ? array_values(array_filter($this->plan->index->routes, $isMeant)) : [];
    }
}
