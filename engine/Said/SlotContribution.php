<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What one source gives a slot. */
final readonly class SlotContribution extends Said
{
    public function __construct(
        public string $name,
        public int $level,
        public ?int $priority,
        public bool $leads,
    ) {
    }
}
