<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Who gives a universe levels. */
final readonly class SourceLife extends Said
{
    /**
     * @param int $place its number in the winners' picture; 0 where it takes no part
     */
    public function __construct(
        public string $name,
        public string $protocol,
        public string $port,
        public string $address,
        public ?int $priority,
        public int $slots,
        public int $frames,
        public int $outOfOrder,
        public int $lost,
        public ?int $rate,
        public float $gap,
        public float $jitter,
        public bool $bySlot,
        public bool $lastResort,
        public bool $preview,
        public ?float $heardAt,
        public int $place,
    ) {
    }
}
