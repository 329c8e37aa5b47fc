<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Message\MidiAddress;
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
        $midi = MidiAddress::parse($message->address);
        $what = $midi?->spelled($show->middleC) ?? $message->address;
        $value = match (true) {
            $midi !== null => $midi->kind === 'note' ? 'its velocity' : 'its value',
            default => 'its '.self::place($message->argument).' argument',
        };
        $sentence = $route->fromMessage
            ? "When {$what} arrives on {$port}, set slot {$slot->slot} of {$universe}: {$value}, {$range}, becomes level {$slot->low} to {$slot->high}."
            : "When slot {$slot->slot} of {$universe} changes, send {$what} on {$port}: level {$slot->low} to {$slot->high} becomes {$range}, as "
                .($message->type === 'int' || $midi !== null ? 'a whole number.' : 'a float.');

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
