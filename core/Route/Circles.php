<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Action\WaitAction;
use NimbleJunction\Core\Route\Step\CurveStep;
use NimbleJunction\Core\Route\Step\LimitStep;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Step\SnapStep;
use NimbleJunction\Core\Route\Trigger\FiredTrigger;
use NimbleJunction\Core\Route\Trigger\PointTrigger;
use NimbleJunction\Core\Route\Trigger\PressedTrigger;

/**
 * Routes that surely set each other off without end, within one turn: no condition, no step and no wait stands between them.
 * Those of which that cannot be seen are bounded when they run.
 */
final readonly class Circles
{
    /** Steps through which every value passes, and at once. */
    private const PASSING = [ScaleStep::class, LimitStep::class, SnapStep::class, CurveStep::class];

    /** @var array<string, list<string>> routes that each surely sets off, by route */
    private array $after;

    /** @param array<string, Route> $routes by id */
    public function __construct(private array $routes)
    {
        $listening = [];
        foreach ($routes as $route) {
            foreach ($route->enabled && self::isFree($route) && $route->conditions === [] ? $route->triggers : [] as $trigger) {
                foreach (self::waitsForDeeds($trigger) ? $trigger->keys() : [] as $key) {
                    $listening[$key][] = $route->id;
                }
            }
        }
        $after = [];
        foreach ($routes as $route) {
            $deeds = array_map(static fn(string $key): array => $listening[$key] ?? [], self::deeds($route));
            $run = array_filter(
                self::run($route),
                static fn(string $id): bool => isset($routes[$id]) && self::isFree($routes[$id]),
            );
            $after[$route->id] = array_values(array_unique([...$run, ...array_merge(...$deeds)]));
        }
        $this->after = $after;
    }

    /** @return list<string> ids of the routes of a circle that one of them is in, itself first; none where it is in none */
    public function through(string $routeId): array
    {
        /** @var array<string, string|null> $before whom each was reached from */
        $before = [];
        $next = [$routeId];
        while ($next !== []) {
            $id = array_shift($next);
            foreach ($this->after[$id] ?? [] as $reached) {
                if ($reached === $routeId) {
                    return $this->path($before, $routeId, $id);
                }
                if (! isset($before[$reached])) {
                    $before[$reached] = $id;
                    $next[] = $reached;
                }
            }
        }

        return [];
    }

    /**
     * @param array<string, string|null> $before
     *
     * @return list<string>
     */
    private function path(array $before, string $first, string $last): array
    {
        $path = [];
        for ($id = $last; $id !== $first && $id !== null && \count($path) <= \count($this->routes); $id = $before[$id] ?? null) {
            array_unshift($path, $id);
        }

        return [$first, ...$path];
    }

    /** Whether whatever sets it off comes through to its actions. */
    private static function isFree(Route $route): bool
    {
        return array_filter($route->steps, static fn(Step $step): bool => ! \in_array($step::class, self::PASSING, true)) === [];
    }

    private static function waitsForDeeds(Trigger $trigger): bool
    {
        return $trigger instanceof FiredTrigger
            || $trigger instanceof PressedTrigger
            || ($trigger instanceof PointTrigger && $trigger->is === null);
    }

    /** @return list<string> keys of what surely happens when a route acts */
    private static function deeds(Route $route): array
    {
        $keys = (new Occurred(FiredTrigger::what($route->id)))->keys();
        foreach (self::pressed($route) as $point) {
            array_push($keys, ...(new Occurred(PressedTrigger::what($point)))->keys());
            // A switch that is pressed turns over: it has another value each time.
            $keys = $point->kind === 'value' ? [...$keys, PointChanged::key($point)] : $keys;
        }

        return $keys;
    }

    /** @return list<string> ids of routes that it runs, their triggers and conditions left out */
    private static function run(Route $route): array
    {
        $run = array_map(
            static fn(Reference $point): string => $point->kind === 'route' && $point->part === '' ? $point->id : '',
            self::pressed($route),
        );
        foreach (self::atOnce($route) as $action) {
            $isRun = $action instanceof SetAction && $action->point->kind === 'route' && $action->point->part === 'run';
            $run[] = $isRun ? $action->point->id : '';
        }

        return array_values(array_filter($run, static fn(string $id): bool => $id !== ''));
    }

    /** @return list<Reference> */
    private static function pressed(Route $route): array
    {
        $presses = array_filter(self::atOnce($route), static fn(Action $action): bool => $action instanceof PressAction);

        return array_values(array_map(static fn(PressAction $action): Reference => $action->point, $presses));
    }

    /** @return list<Action> those before it waits */
    private static function atOnce(Route $route): array
    {
        $actions = [];
        foreach ($route->actions as $action) {
            if ($action instanceof WaitAction) {
                break;
            }
            $actions[] = $action;
        }

        return $actions;
    }
}
