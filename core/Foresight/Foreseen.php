<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Foresight;

use NimbleJunction\Core\Point\Reference;

/** What would become of one point, in its own unit. */
final readonly class Foreseen
{
    /**
     * @param int|float|string|null $now null where it has no value
     * @param int|float|string $then what would be asked for, with what people hold, before masters over all that leaves, and curves
     * @param int|float|string|null $wanted what the look or the cue says; null where it lets go of it
     * @param string $why who would give it, and why; '' for a point that is simply set
     */
    public function __construct(
        public Reference $point,
        public int|float|string|null $now,
        public int|float|string $then,
        public int|float|string|null $wanted,
        public string $why,
    ) {
    }

    /** Whether it would have what the look or the cue says; what that lets go of has nothing that it could miss. */
    public function isAsWanted(): bool
    {
        return $this->wanted === null || $this->then === $this->wanted;
    }
}
