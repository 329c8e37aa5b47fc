<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Route\Listener;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\ChannelTrigger;
use NimbleJunction\Engine\Said\ListeningRoute;
use NimbleJunction\Engine\Said\ListeningRoutes;
use NimbleJunction\Engine\Said\Said;

/** Which routes take what a trigger waits for, those that are switched off too. */
final readonly class WhoListens implements Order, InShowMode
{
    private const MOST = 20;

    public function __construct(private ?Kind $trigger)
    {
    }

    public static function kind(): string
    {
        return 'listens';
    }

    public static function label(): string
    {
        return 'Who listens?';
    }

    public static function fields(): array
    {
        return [Field::part('trigger', 'Trigger', 'trigger')];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return ListeningRoutes::class;
    }

    public function obey(Reach $reach): Said
    {
        $events = match (true) {
            $this->trigger instanceof ChannelTrigger => $this->trigger->samples(),
            $this->trigger instanceof Trigger => [$this->trigger->sample()],
            default => [],
        };
        $routes = [];
        foreach ($events as $event) {
            foreach ($reach->engine->junction->plan()->index->of($event) as $listener) {
                if ($listener->trigger->take($event) instanceof Taken) {
                    $routes[$listener->route->id] ??= self::line($listener);
                }
            }
        }

        return new ListeningRoutes(\array_slice(array_values($routes), 0, self::MOST), max(0, \count($routes) - self::MOST));
    }

    private static function line(Listener $listener): ListeningRoute
    {
        return new ListeningRoute($listener->route->id, $listener->route->name, $listener->route->enabled);
    }
}
