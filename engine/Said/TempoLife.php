<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a tempo stands. Times are milliseconds of the engine's clock. */
final readonly class TempoLife extends Said
{
    /**
     * @param float $bpm exact
     * @param string $source clock, message, or hand
     * @param string $leader id of the port whose clock leads; '' for none
     * @param bool $isCarriedOn whether a clock led that is lost
     * @param float|null $zeroAt when it was, or would have been, at its first beat; null while it stands
     */
    public function __construct(
        public string $id,
        public float $bpm,
        public string $source,
        public string $leader,
        public bool $isCarriedOn,
        public ?float $zeroAt,
    ) {
    }
}
