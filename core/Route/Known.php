<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** What conditions may ask of the house around them, besides points. */
interface Known
{
    /** @return int|null when a route has acted last, on the junction's clock; null where it never has */
    public function firedAt(string $routeId): ?int;

    /** @return int|null second of the day; null where nobody has said what time it is */
    public function secondOfDay(int $now): ?int;
}
