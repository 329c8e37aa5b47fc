<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** A level set by hand on one slot, above all merging, until it is released or its time is over. */
final readonly class Hold
{
    /**
     * @param int $slot 0 to 511
     * @param int $level 0 to 255
     * @param string $by who set it
     * @param int $until in nanoseconds of the junction's clock
     * @param bool $isUnlocked whether it reaches what is never driven
     * @param string $lights id of the fixture that it lights, with others; '' for none
     * @param self|null $under what was held there before it was lit, and is held again when it is let go
     */
    public function __construct(
        public int $slot,
        public int $level,
        public string $by,
        public int $until,
        public bool $isUnlocked = false,
        public string $lights = '',
        public ?self $under = null,
    ) {
    }
}
