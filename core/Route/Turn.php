<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Message;

/** What an action can do: it lasts for one event of one route. */
interface Turn
{
    public function set(Reference $reference, int|float|string $value, ?int $priority): void;

    public function press(Reference $reference): void;

    /** What a route was to do later is stopped. */
    public function stop(Reference $route): void;

    public function send(string $portId, Message $message): void;
}
