<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What would become of one point, in its own unit. */
final readonly class ForeseenPoint extends Said
{
    /**
     * @param int|float|string|null $now null where it has no value
     * @param int|float|string|null $wanted what the look or the cue says; null where it lets go of it
     * @param bool $isAsWanted whether it would have just that
     * @param string $why who would give it, and why; '' for a point that is simply set
     */
    public function __construct(
        public string $point,
        public string $unit,
        public int|float|string|null $now,
        public int|float|string $then,
        public int|float|string|null $wanted,
        public bool $isAsWanted,
        public string $why,
    ) {
    }
}
