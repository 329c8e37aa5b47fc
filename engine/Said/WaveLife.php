<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a wave stands: whether it runs, and its fields as they were set. */
final readonly class WaveLife extends Said
{
    public function __construct(
        public string $id,
        public bool $isOn,
        public float $rate,
        public float $size,
        public float $centre,
        public float $phase,
    ) {
    }
}
