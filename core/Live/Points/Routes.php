<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Routing;
use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\SlotToMessage;

/** Routes: pressed they run, or tell their slot anew; they are switched on and off until the show says otherwise. */
final class Routes extends PlanRoom
{
    /**
     * @param \Closure(): Runner $runner
     * @param \Closure(): Changes $changes
     */
    public function __construct(
        private readonly \Closure $runner,
        private readonly \Closure $changes,
        private readonly Routing $routing,
    ) {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['route'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $route = $this->route($reference);

        return $route === null ? null : match ($reference->part) {
            '' => new Point($reference, $route->name, PointKind::Press, isPressed: true),
            'enabled' => new Point($reference, "{$route->name}, enabled", PointKind::Switch, isSet: true),
            'solo' => new Point($reference, "{$route->name}, alone on", PointKind::Switch, isSet: true),
            'fired' => new Point($reference, "{$route->name}, how often it has acted", PointKind::Number, 0.0, 1e12),
            'run' => new Point($reference, "{$route->name}, run with a value", PointKind::Number, -1e9, 1e9, isSet: true),
            'show' => new Point($reference, "{$route->name}, its control is told anew", PointKind::Press, isPressed: true),
            'stop' => new Point($reference, "{$route->name}, what it is to do later", PointKind::Press, isPressed: true),
            default => null,
        };
    }

    public function read(Reference $reference): ?int
    {
        $route = $this->route($reference);

        return $route === null ? null : match ($reference->part) {
            'enabled' => (int) $this->routing->switches->isOn($route->id, $route->enabled),
            'solo' => (int) \in_array($route->id, $this->routing->switches->alone(), true),
            'fired' => $this->routing->firings->of($route->id),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $route = $this->route($reference);
        if ($route instanceof Route && $reference->part === 'run' && is_numeric($value) && is_finite((float) $value)) {
            ($this->runner)()->tried($route, (float) $value, $act->name, $now);

            return '';
        }
        if ($route !== null && $reference->part === 'solo' && is_numeric($value)) {
            $this->routing->switches->beAlone($route->id, (float) $value > 0);
            ($this->changes)()->lookSoon();

            return '';
        }
        if ($route === null || $reference->part !== 'enabled' || ! is_numeric($value)) {
            return 'of a route "enabled" and "solo" can be set, to 0 or 1, and "run", to the value that it is run with';
        }
        $this->routing->switches->turn($route->id, (float) $value > 0);
        if ($route instanceof SlotToMessage) {
            $this->routing->tellAnew($route->id);
        }
        ($this->changes)()->lookSoon();

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        if ($reference->part === 'stop' && $this->route($reference) !== null) {
            ($this->runner)()->stop($reference->id);

            return '';
        }
        if ($reference->part === 'show' && $this->route($reference) instanceof Route) {
            ($this->runner)()->showings->forget($reference->id);

            return '';
        }
        $route = $reference->part === '' ? $this->route($reference) : null;
        if ($route instanceof SlotToMessage) {
            $this->routing->tellAnew($route->id);
        } elseif ($route !== null) {
            ($this->runner)()->run($route->id, 1.0, 0, null, $now);
        }

        return $route === null ? 'there is no such route' : '';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->index->routes + $this->routing->tellers()) as $id) {
            $reference = Reference::parse("route:{$id}");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }

    private function route(Reference $reference): Route|SlotToMessage|null
    {
        return $this->plan->index->routes[$reference->id] ?? $this->routing->tellers()[$reference->id]->route ?? null;
    }
}
