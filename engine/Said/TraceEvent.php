<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Something that happened, with its steps. */
final readonly class TraceEvent extends Said
{
    /**
     * @param float $happenedAt milliseconds of the engine's clock
     * @param list<Hop> $hops
     */
    public function __construct(
        public int $serial,
        public string $kind,
        public string $port,
        public string $title,
        public int $count,
        public float $happenedAt,
        #[ListOf(Hop::class)]
        public array $hops,
    ) {
    }
}
