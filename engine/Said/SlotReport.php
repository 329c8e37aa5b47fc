<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Who has a slot, and why. */
final readonly class SlotReport extends Said
{
    /**
     * @param list<SlotContribution> $contributions
     */
    public function __construct(
        public int $level,
        public string $why,
        #[ListOf(SlotContribution::class)]
        public array $contributions,
    ) {
    }
}
