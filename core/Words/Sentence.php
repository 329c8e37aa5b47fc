<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\SendAction;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;

/** A route as one sentence that two people can check with each other. */
final class Sentence
{
    public static function of(RouteEntry $route, Show $show): string
    {
        if ($route->ends === null) {
            $sentence = $route->route === null ? '' : self::long($route->route, new ShowWording($show));

            return $route->enabled ? $sentence : "{$sentence} Switched off.";
        }
        $message = $route->ends->message;
        $slot = $route->ends->slot;
        $port = $show->ports[$message->port]->name ?? $message->port;
        $where = (new ShowWording($show))->slot($slot->universe, $slot->slot);
        $range = self::number($message->low).' to '.self::number($message->high);
        $midi = MidiAddress::parse($message->address);
        $what = $show->agreed()->address($message->address, $show->middleC) ?? $message->address;
        $value = match (true) {
            $midi !== null => $midi->kind === 'note' ? 'its velocity' : 'its value',
            default => 'its '.self::place($message->argument).' argument',
        };
        $sentence = $route->ends->fromMessage
            ? "When {$what} arrives on {$port}, set {$where}: {$value}, {$range}, becomes level {$slot->low} to {$slot->high}."
            : "When {$where} changes, send {$what} on {$port}: level {$slot->low} to {$slot->high} becomes {$range}, as "
                .($message->type === 'int' || $midi !== null ? 'a whole number.' : 'a float.');

        return $route->enabled ? $sentence : "{$sentence} Switched off.";
    }

    /**
     * The messages that a route hears or sends at a port, in words.
     *
     * @return list<string>
     */
    public static function messagesAt(RouteEntry $route, PortEntry $port, Show $show, bool $isHeard): array
    {
        $wording = new ShowWording($show);
        $words = [];
        foreach ($route->route === null || ! $isHeard ? [] : $route->route->triggers as $trigger) {
            if (str_starts_with($trigger->keys()[0] ?? '', "{$port->id} ")) {
                $words[] = $trigger->words($wording);
            }
        }
        foreach ($route->route === null || $isHeard ? [] : $route->route->actions as $action) {
            if ($action instanceof SendAction && $action->port === $port->id) {
                $words[] = $action->message->words($wording);
            }
        }

        return $words;
    }

    private static function long(Route $route, ShowWording $wording): string
    {
        $when = self::say($route->triggers, ' or ', $wording);
        $if = $route->conditions === [] ? '' : ' and '.self::say($route->conditions, ' and ', $wording);
        $steps = $route->steps === [] ? '' : ': '.self::say($route->steps, ', then ', $wording);

        $back = $route->back === null ? '' : "; {$route->back->words()}";

        return ucfirst("when {$when}{$if}, ".self::say($route->actions, ', then ', $wording)."{$steps}{$back}.");
    }

    /** @param list<Trigger|Condition|Step|Action> $parts */
    private static function say(array $parts, string $between, ShowWording $wording): string
    {
        return implode(
            $between,
            array_map(static fn(Trigger|Condition|Step|Action $one): string => $one->words($wording), $parts),
        );
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
