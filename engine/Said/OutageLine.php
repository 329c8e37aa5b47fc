<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A time at which a port was without one of its senders, or all of them. Times are milliseconds of the engine's clock. */
final readonly class OutageLine extends Said
{
    /**
     * @param float|null $until null while it lasts
     * @param string $what who was gone, from where
     * @param string $meanwhile what was done without it
     */
    public function __construct(
        public float $from,
        public ?float $until,
        public string $what,
        public string $meanwhile,
    ) {
    }
}
