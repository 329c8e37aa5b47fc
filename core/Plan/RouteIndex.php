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

    /** @var array<string, true> ports that have triggers which name the beginning of an address only */
    private array $withBeginnings;

    /** @var array<string, Route> by id */
    public array $routes;

    /** @param array<string, Route> $routes by id, disabled ones too: they are near misses */
    public function __construct(array $routes)
    {
        $listeners = $withBeginnings = [];
        foreach ($routes as $route) {
            foreach ($route->triggers as $trigger) {
                foreach ($trigger->keys() as $key) {
                    [$place, $rest] = explode(' ', $key, 2);
                    $listeners[$place][$rest][] = new Listener($route, $trigger);
                    if (preg_match('~^/(note|controller|controller-14|key-pressure)(/\d+)?$|^/(program|bend|pressure|show-control|machine-control)$~D', $rest) === 1) {
                        $withBeginnings[$place] = true;
                    }
                }
            }
        }
        $this->listeners = $listeners;
        $this->withBeginnings = $withBeginnings;
        $this->routes = $routes;
    }

    /** @return list<Listener> in the order of the show */
    public function of(Event $event): array
    {
        if (! $event instanceof Heard) {
            [$place, $key] = explode(' ', $event->keys()[0], 2);

            return $this->listeners[$place][$key] ?? [];
        }
        $byAddress = $this->listeners[$event->portId] ?? [];
        $found = Addressed::among($byAddress, $event->message);
        if (! isset($this->withBeginnings[$event->portId]) || $event->message->protocol === Protocol::Osc) {
            return $found;
        }
        foreach (\array_slice(Heard::addresses($event->message->address()), 1) as $beginning) {
            array_push($found, ...$byAddress[$beginning] ?? []);
        }

        return $found;
    }

    public function asksFor(Heard $event): bool
    {
        $byAddress = $this->listeners[$event->portId] ?? [];

        return $byAddress !== [] && (isset($byAddress[$event->message->address()]) || $this->of($event) !== []);
    }

    /** @return array<string, array<string, list<Listener>>> by port and address, those that wait for messages */
    public function byAddress(): array
    {
        return array_filter($this->listeners, static fn(string $place): bool => $place[0] !== '*', \ARRAY_FILTER_USE_KEY);
    }

    /** @return list<Reference> points that a trigger waits for */
    public function watched(): array
    {
        $references = array_map(Reference::parse(...), array_map(strval(...), array_keys($this->listeners['*point'] ?? [])));

        return array_values(array_filter($references));
    }
}
