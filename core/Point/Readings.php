<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** What points are now, for whoever decides by them. */
interface Readings
{
    public function read(Reference $reference): int|float|string|null;

    public function describe(Reference $reference): ?Point;
}
