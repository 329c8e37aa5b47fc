<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Known;
use NimbleJunction\Core\Route\Minds;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Remembering;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Values on their way through routes: what conditions and steps have in mind, and what goes on later. */
final class Passages implements Room, Known
{
    /** So many values of one route may wait for their time; more of them are lost, and said so. */
    public const MOST_WAITING = 500;

    private const MOST_KEPT = 1000;

    /** When the next value goes on. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, list<Later>> values that wait, by route, in the order of their times */
    private array $released = [];

    /** @var array<string, Later> steps that go on by themselves, by route and step */
    private array $waking = [];
    private Minds $minds;

    public function __construct(
        private readonly Points $points,
        private readonly Firings $firings,
        public readonly DayClock $clock = new DayClock(),
    ) {
        $this->minds = new Minds();
    }

    /** @param array<string, Route> $routes by id */
    public function adopt(array $routes): void
    {
        $this->minds->adopt($routes);
        // What waits knows its place among steps and actions: where these are others now, it has none.
        $hasPlace = static fn(Later $one): bool => ($routes[$one->route->id] ?? null)?->isMadeAs($one->route) === true;
        $this->waking = array_filter($this->waking, $hasPlace);
        $this->released = array_filter(array_map(
            static fn(array $waiting): array => array_values(array_filter($waiting, $hasPlace)),
            $this->released,
        ));
        $this->look();
    }

    public function passing(Route $route, Event $event, int $source, int $now): Passing
    {
        return new Passing($now, $event, $route, $this->minds, $this->points, $source, $this);
    }

    public function firedAt(string $routeId): ?int
    {
        return $this->firings->at($routeId);
    }

    public function secondOfDay(int $now): ?int
    {
        return $this->clock->second($now);
    }

    /** @return Missed|null the first condition that does not hold, and by how much; null where all do */
    public function missed(Route $route, float $value, Passing $passing): ?Missed
    {
        foreach ($route->conditions as $i => $condition) {
            $missed = $condition->missed($value, $passing->at("if {$i}"));
            if ($missed !== null) {
                return $missed->at("if/{$i}");
            }
        }
        foreach ($route->conditions as $i => $condition) {
            if ($condition instanceof Remembering) {
                $condition->passed($value, $passing->at("if {$i}"));
            }
        }

        return null;
    }

    /**
     * @param int $from the first step that it goes through, from 0
     *
     * @return float|null what comes out; null where nothing passes now
     */
    public function through(Route $route, float $value, int $from, Passing $passing): ?float
    {
        $count = \count($route->steps);
        if ($count > $from) {
            $passing->way->values[] = $value;
        }
        for ($i = $from; $i < $count; ++$i) {
            $made = $route->steps[$i]->apply($value, $passing->at("step {$i}"));
            $this->note($route, $i, $passing);
            if ($made === null || ! is_finite($made)) {
                return null;
            }
            $value = $made;
            $passing->way->values[] = $value;
        }

        return $value;
    }

    /** What a step that goes on by itself gives now. */
    public function wake(Route $route, int $step, Passing $passing): ?float
    {
        $continuing = $route->steps[$step] ?? null;
        if (! $continuing instanceof Continuing) {
            return null;
        }
        $made = $continuing->goOn($passing->at("step {$step}"));
        $this->note($route, $step, $passing);

        return $made;
    }

    /** @return list<Later> what is due, in the order of its times */
    public function due(int $now): array
    {
        if ($this->dueAt > $now) {
            return [];
        }
        $due = [];
        foreach ($this->released as $id => $waiting) {
            while ($waiting !== [] && $waiting[0]->at <= $now) {
                $due[] = array_shift($waiting);
            }
            if ($waiting === []) {
                unset($this->released[$id]);
            } else {
                $this->released[$id] = $waiting;
            }
        }
        foreach ($this->waking as $key => $one) {
            if ($one->at <= $now) {
                $due[] = $one;
                unset($this->waking[$key]);
            }
        }
        usort($due, static fn(Later $a, Later $b): int => $a->at <=> $b->at);
        $this->look();

        return $due;
    }

    /** The actions of a route wait, and go on where they are told to. */
    public function wait(Route $route, float $value, Pause $pause, Passing $passing): void
    {
        $at = $passing->now + (int) round($pause->seconds * 1e9);
        $this->put(new Later($at, $route, \count($route->steps), $value, $passing->event, $passing->source, $pause->place));
    }

    /** Whether a route has as many values waiting as may wait. */
    public function isFull(string $routeId): bool
    {
        return \count($this->released[$routeId] ?? []) >= self::MOST_WAITING;
    }

    /** What waits of a route is forgotten. */
    public function stop(string $routeId): void
    {
        unset($this->released[$routeId]);
        $this->waking = array_filter($this->waking, static fn(Later $one): bool => $one->route->id !== $routeId);
        $this->look();
    }

    public function key(): string
    {
        return 'minds';
    }

    public function revisions(): array
    {
        return $this->minds->changes();
    }

    public function kept(string $part, int $now): array
    {
        return $this->minds->kept($part);
    }

    /** @param array<string, Route> $routes those of now, by id */
    public function restore(Stored $stored, array $routes): void
    {
        foreach (array_intersect_key($routes, array_flip($stored->names())) as $id => $route) {
            $parts = $stored->part((string) $id);
            foreach (\array_slice($parts->names(), 0, self::MOST_KEPT) as $part) {
                $mind = $this->minds->of($route, $part);
                foreach (\array_slice($parts->part($part)->names(), 0, self::MOST_KEPT) as $name) {
                    $value = $parts->part($part)->scalar($name);
                    if (\is_int($value) || \is_float($value)) {
                        $mind->keep($name, (float) $value);
                    }
                }
            }
        }
    }

    /** What a step has released, and when it wants to go on. */
    private function note(Route $route, int $step, Passing $passing): void
    {
        foreach ($passing->released() as [$value, $at]) {
            $this->put(new Later($at, $route, $step, $value, $passing->event, $passing->source));
        }
        $wakeAt = $passing->wakeAt();
        if ($wakeAt === null) {
            return;
        }
        $key = "{$route->id} {$step}";
        if ($wakeAt === \PHP_INT_MAX) {
            unset($this->waking[$key]);
        } else {
            $this->waking[$key] = new Later($wakeAt, $route, $step, null, $passing->event, $passing->source);
            $this->dueAt = min($this->dueAt, $wakeAt);
        }
    }

    private function put(Later $later): void
    {
        if ($this->isFull($later->route->id)) {
            return;
        }
        $before = array_key_last($this->released[$later->route->id] ?? []);
        $isInOrder = $before === null || $this->released[$later->route->id][$before]->at <= $later->at;
        $this->released[$later->route->id][] = $later;
        if (! $isInOrder) {
            // One step keeps its order; two that wait for different times do not.
            usort($this->released[$later->route->id], static fn(Later $a, Later $b): int => $a->at <=> $b->at);
        }
        $this->dueAt = min($this->dueAt, $later->at);
    }

    private function look(): void
    {
        $this->dueAt = \PHP_INT_MAX;
        foreach ($this->released as $waiting) {
            $this->dueAt = min($this->dueAt, $waiting[0]->at);
        }
        foreach ($this->waking as $one) {
            $this->dueAt = min($this->dueAt, $one->at);
        }
    }
}
