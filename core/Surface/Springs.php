<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

/** A control that goes back to a place of its own as soon as nobody touches it. */
interface Springs
{
    /** @return float|null where a part of it goes back to, as it is set; null where it stays where it is left */
    public function rest(string $part): ?float;
}
