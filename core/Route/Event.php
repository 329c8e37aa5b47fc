<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Something that has happened, for triggers to take. */
interface Event
{
    /** @return list<string> what triggers are found by, the narrowest first; at most 8 */
    public function keys(): array;

    /** @return array<int|string, int|float|string> what texts and conditions may speak of */
    public function fields(): array;
}
