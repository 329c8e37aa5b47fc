<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Addressed;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Listener;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Protocol;

/** Which triggers look at an event: found by its keys, so that ten thousand routes cost it no more than ten. */
final readonly class RouteIndex
{
    /** So many routes that are otherwise are put in their places; with more all is made anew. */
    private const FEW = 20;

    /** So many parts of an address are looked at. Our own limit. */
    private const DEEPEST = 32;

    /** @var array<string, array<string, list<Listener>>> by port (or "*point", "*occurred") and key */
    private array $listeners;

    /** @var array<string, array<string, list<Listener>>> by port and beginning, those that take every address that begins so */
    private array $beginnings;

    /** @var array<string, Route> by id */
    public array $routes;

    /** @var array<string, int> place in the show, by id */
    private array $places;

    /**
     * @param array<string, Route> $routes by id, disabled ones too: they are near misses
     * @param \Closure(): void|null $between called between two routes
     * @param self|null $before of which as much is kept as is the same
     */
    public function __construct(array $routes, ?\Closure $between = null, ?self $before = null)
    {
        $gone = $before === null ? [] : self::missing($before->routes, $routes);
        $new = $before === null ? $routes : self::missing($routes, $before->routes);
        if (
            $before !== null
            && (\count($new) > self::FEW || \count($gone) > self::FEW || ! self::isOrderKept($before->routes, $routes))
        ) {
            [$before, $gone, $new] = [null, [], $routes];
        }
        $listeners = $before->listeners ?? [];
        $beginnings = $before->beginnings ?? [];
        self::leave($listeners, $beginnings, $gone);
        foreach ($new as $route) {
            if ($between !== null) {
                $between();
            }
            foreach (Entry::of($route) as $entry) {
                if ($entry->isBeginning) {
                    $beginnings[$entry->place][$entry->key][] = new Listener($route, $entry->trigger);
                } else {
                    $listeners[$entry->place][$entry->key][] = new Listener($route, $entry->trigger);
                }
            }
        }
        if ($before !== null) {
            self::order($listeners, $new, false, $routes);
            self::order($beginnings, $new, true, $routes);
        }
        $this->listeners = $listeners;
        $this->beginnings = $beginnings;
        $this->routes = $routes;
        $this->places = array_flip(array_map(strval(...), array_keys($routes)));
    }

    /** @return list<Listener> in the order of the show */
    public function of(Event $event): array
    {
        if (! $event instanceof Heard) {
            [$place, $key] = explode(' ', $event->keys()[0], 2);

            return $this->listeners[$place][$key] ?? [];
        }
        $message = $event->message;
        $found = Addressed::among($this->listeners[$event->portId] ?? [], $message);
        $beginnings = $this->beginnings[$event->portId] ?? [];
        if ($beginnings === []) {
            return $found;
        }
        $address = $message->address();
        $places = $message->protocol === Protocol::Osc ? self::ancestors($address) : Heard::addresses($address);
        $exact = \count($found);
        foreach ($places as $beginning) {
            array_push($found, ...$beginnings[$beginning] ?? []);
        }

        return $exact === 0 || $exact === \count($found) ? $found : $this->inOrder($found);
    }

    /** @return list<string> what an address of OSC lies below: "/cue/1", "/cue" and "" of "/cue/1/go" */
    private static function ancestors(string $address): array
    {
        $ancestors = [];
        for ($i = 0; $i < self::DEEPEST && ($end = strrpos($address, '/')) !== false; ++$i) {
            $address = substr($address, 0, $end);
            $ancestors[] = $address;
        }

        return $ancestors;
    }

    /**
     * @param list<Listener> $listeners
     *
     * @return list<Listener>
     */
    private function inOrder(array $listeners): array
    {
        usort($listeners, fn(Listener $a, Listener $b): int => $this->places[$a->route->id] <=> $this->places[$b->route->id]);

        return $listeners;
    }

    /** Whether a route waits for something to occur. */
    public function waitsFor(string $what): bool
    {
        return isset($this->listeners['*occurred'][$what]);
    }

    public function asksFor(Heard $event): bool
    {
        $byAddress = $this->listeners[$event->portId] ?? [];
        if ($byAddress === [] && ! isset($this->beginnings[$event->portId])) {
            return false;
        }

        return isset($byAddress[$event->message->address()]) || $this->of($event) !== [];
    }

    /** @return array<string, array<string, list<Listener>>> by port and address, those that wait for messages */
    public function byAddress(): array
    {
        $byAddress = array_filter($this->listeners, static fn(string $place): bool => $place[0] !== '*', \ARRAY_FILTER_USE_KEY);
        foreach ($this->beginnings as $port => $beginnings) {
            foreach ($beginnings as $beginning => $listeners) {
                $byAddress[$port][$beginning] = [...$byAddress[$port][$beginning] ?? [], ...$listeners];
            }
        }

        return $byAddress;
    }

    /** @return list<Reference> points that a trigger waits for, or a control shows */
    public function watched(): array
    {
        $shown = [];
        foreach ($this->routes as $route) {
            foreach ($route->back === null ? [] : [$route->back->point($route), ...$route->back->besides()] as $reference) {
                $shown[$reference?->text() ?? ''] = $reference;
            }
        }
        $references = array_map(Reference::parse(...), array_map(strval(...), array_keys($this->listeners['*point'] ?? [])));

        return array_values(array_filter([
            ...$references,
            ...array_values(array_diff_key($shown, $this->listeners['*point'] ?? [])),
        ]));
    }

    /**
     * @param array<string, Route> $routes
     * @param array<string, Route> $others
     *
     * @return array<string, Route> those that are not among the others, or are otherwise there
     */
    private static function missing(array $routes, array $others): array
    {
        $missing = [];
        foreach ($routes as $id => $route) {
            if (($others[$id] ?? null) !== $route) {
                $missing[$id] = $route;
            }
        }

        return $missing;
    }

    /**
     * @param array<string, Route> $before
     * @param array<string, Route> $after
     */
    private static function isOrderKept(array $before, array $after): bool
    {
        return array_keys(array_intersect_key($before, $after)) === array_keys(array_intersect_key($after, $before));
    }

    /**
     * @param array<string, array<string, list<Listener>>> $listeners
     * @param array<string, array<string, list<Listener>>> $beginnings
     * @param array<string, Route> $gone
     */
    private static function leave(array &$listeners, array &$beginnings, array $gone): void
    {
        foreach ($gone as $route) {
            foreach (Entry::of($route) as $entry) {
                $place = $entry->isBeginning ? $beginnings[$entry->place] ?? [] : $listeners[$entry->place] ?? [];
                $stay = array_values(array_filter(
                    $place[$entry->key] ?? [],
                    static fn(Listener $one): bool => $one->route !== $route,
                ));
                unset($place[$entry->key]);
                $place += $stay === [] ? [] : [$entry->key => $stay];
                if ($entry->isBeginning) {
                    $beginnings[$entry->place] = $place;
                } else {
                    $listeners[$entry->place] = $place;
                }
            }
        }
        $listeners = array_filter($listeners);
        $beginnings = array_filter($beginnings);
    }

    /**
     * What was put behind the others goes where the show has it.
     *
     * @param array<string, array<string, list<Listener>>> $lists
     * @param array<string, Route> $new
     * @param array<string, Route> $routes
     */
    private static function order(array &$lists, array $new, bool $areBeginnings, array $routes): void
    {
        $ranks = null;
        foreach ($new as $route) {
            foreach (Entry::of($route) as $entry) {
                $list = $entry->isBeginning === $areBeginnings ? $lists[$entry->place][$entry->key] : [];
                if (\count($list) < 2) {
                    continue;
                }
                $ranks ??= array_flip(array_keys($routes));
                usort($list, static fn(Listener $a, Listener $b): int => $ranks[$a->route->id] <=> $ranks[$b->route->id]);
                $lists[$entry->place][$entry->key] = $list;
            }
        }
    }
}
