<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A slot that somebody holds by hand. */
final readonly class HeldSlot extends Said
{
    /**
     * @param int $slot 1 to 512
     * @param float $until milliseconds of the engine's clock
     */
    public function __construct(
        public string $universe,
        public int $slot,
        public int $level,
        public string $by,
        public float $until,
    ) {
    }
}
