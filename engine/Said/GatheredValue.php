<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A value that a look may have: of a point, with what that is called. */
final readonly class GatheredValue extends Said
{
    /** @param string $kind of the parameter: intensity, colour, and so on; '' for a slot at which nothing is known to listen */
    public function __construct(
        public string $point,
        public float $value,
        public string $name,
        public string $kind,
        public string $unit,
    ) {
    }
}
