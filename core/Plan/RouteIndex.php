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
    /** @var array<string, array<string, list<Listener>>> by port (or "*point", "*occurred") and key */
    private array $listeners;

    /** @var array<string, array<string, list<Listener>>> by port and beginning, those that take every address that begins so */
    private array $beginnings;

    /** @var array<string, Route> by id */
    public array $routes;

    /**
     * @param array<string, Route> $routes by id, disabled ones too: they are near misses
     * @param \Closure(): void|null $between called between two routes
     */
    public function __construct(array $routes, ?\Closure $between = null)
    {
        $listeners = [];
        $beginnings = [];
        foreach ($routes as $route) {
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
        $this->listeners = $listeners;
        $this->beginnings = $beginnings;
        $this->routes = $routes;
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
        if ($beginnings === [] || $message->protocol === Protocol::Osc) {
            return $found;
        }
        foreach (Heard::addresses($message->address()) as $beginning) {
            array_push($found, ...$beginnings[$beginning] ?? []);
        }

        return $found;
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

    /** @return list<Reference> points that a trigger waits for */
    public function watched(): array
    {
        $references = array_map(Reference::parse(...), array_map(strval(...), array_keys($this->listeners['*point'] ?? [])));

        return array_values(array_filter($references));
    }
}
