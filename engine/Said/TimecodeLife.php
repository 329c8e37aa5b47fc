<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a time code stands. */
final readonly class TimecodeLife extends Said
{
    /**
     * @param string $time hh:mm:ss:ff
     * @param string $rate frames a second, in words
     * @param string $leader id of the port that leads; '' for none
     * @param bool $isCarriedOn whether it goes on by itself, since nobody says anything
     * @param float $speed 1 as it is written, -1 backwards
     */
    public function __construct(
        public string $id,
        public string $time,
        public string $rate,
        public string $leader,
        public bool $isRunning,
        public bool $isCarriedOn,
        public float $speed,
    ) {
    }
}
