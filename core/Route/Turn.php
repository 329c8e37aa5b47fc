<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Message;

/** What an action can do: it lasts for one event of one route. */
interface Turn
{
    public function set(Reference $reference, int|float|string $value, Terms $terms): void;

    /** What the route gives a point ends: at once, or by a fade to what is there without it. */
    public function end(Reference $reference, Terms $terms): void;

    public function press(Reference $reference): void;

    /** What a route was to do later is stopped. */
    public function stop(Reference $route): void;

    /** Whether one more round may be begun in this turn: rounds within rounds are bounded as all else is. */
    public function mayRepeat(): bool;

    /** @param list<Condition> $conditions whether all of them hold now */
    public function holds(array $conditions, float $value): bool;

    public function send(string $portId, Message $message): void;

    /** A line is typed at a desk, where it is one that the desk takes. */
    public function type(string $desk, string $line): void;
}
