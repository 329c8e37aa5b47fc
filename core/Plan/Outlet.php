<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Port\FrameSender;
use NimbleJunction\Core\Universe\Cadence;

/** One way out of a universe: in which format, to whom, how often. */
final readonly class Outlet
{
    /** @param list<Target> $targets */
    public function __construct(
        public string $key,
        public string $portId,
        public string $universeId,
        public string $words,
        public FrameSender $sender,
        public array $targets,
        public Cadence $cadence,
    ) {
    }
}
