<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What one point did, as it goes into the show. */
final readonly class RecordedLane extends Said
{
    /** @param list<RecordedKnot> $knots */
    public function __construct(
        public float $from,
        public float $to,
        public string $point,
        #[ListOf(RecordedKnot::class)]
        public array $knots,
        public int $samples,
        public float $off,
    ) {
    }
}
