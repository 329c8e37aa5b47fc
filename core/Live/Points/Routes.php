<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Routes: pressed they run, and they are switched on and off until the show says otherwise. */
final class Routes extends PlanRoom
{
    /**
     * @param \Closure(): Runner $runner
     * @param \Closure(): Changes $changes
     */
    public function __construct(private readonly \Closure $runner, private readonly \Closure $changes)
    {
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
        $route = $this->plan->index->routes[$reference->id] ?? null;

        return $route === null ? null : match ($reference->part) {
            '' => new Point($reference, $route->name, PointKind::Press, isPressed: true),
            'enabled' => new Point($reference, "{$route->name}, enabled", PointKind::Switch, isSet: true),
            'fired' => new Point($reference, "{$route->name}, how often it has acted", PointKind::Number, 0.0, 1e12),
            default => null,
        };
    }

    public function read(Reference $reference): ?int
    {
        $route = $this->plan->index->routes[$reference->id] ?? null;

        return $route === null ? null : match ($reference->part) {
            'enabled' => (int) ($this->runner)()->switches->isEnabled($route),
            'fired' => ($this->runner)()->firings->of($route->id),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        if ($reference->part !== 'enabled' || ! isset($this->plan->index->routes[$reference->id]) || ! is_numeric($value)) {
            return 'of a route only "enabled" can be set, to 0 or 1';
        }
        ($this->runner)()->switches->turn($reference->id, (float) $value > 0);
        ($this->changes)()->lookSoon();

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $isThere = $reference->part === '' && ($this->runner)()->run($reference->id, 1.0, 0, null, $now);

        return $isThere ? '' : 'there is no such route';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->index->routes) as $id) {
            $reference = Reference::parse("route:{$id}");
            if ($reference !== null) {
                yield $reference;
            }
        }
    }
}
