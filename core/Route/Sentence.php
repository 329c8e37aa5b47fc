<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;

/** A route as one sentence that two people can check with each other. */
final class Sentence
{
    public static function of(RouteEntry $route, Show $show): string
    {
        $message = $route->message;
        $slot = $route->slot;
        $port = $show->ports[$message->port]->name ?? $message->port;
        $universe = $show->universes[$slot->universe]->name ?? $slot->universe;
        $range = self::number($message->low).' to '.self::number($message->high);
        $sentence = $route->fromMessage
            ? "When {$message->address} arrives on {$port}, set slot {$slot->slot} of {$universe}: its ".self::place($message->argument)
                ." argument, {$range}, becomes level {$slot->low} to {$slot->high}."
            : "When slot {$slot->slot} of {$universe} changes, send {$message->address} on {$port}: level {$slot->low} to {$slot->high} becomes {$range}, as "
                .($message->type === 'int' ? 'a whole number.' : 'a float.');

        return $route->enabled ? $sentence : "{$sentence} Switched off.";
    }

    private static function place(int $argument): string
    {
        return match ($argument) {
            1 => 'first',
            2 => 'second',
            3 => 'third',
            default => "{$argument}th",
        };
    }

    private static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 4, '.', ''), '0'), '.');
    }
}
