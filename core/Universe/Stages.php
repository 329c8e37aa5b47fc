<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What a plan does to the levels of a universe between what is asked for and what leaves; null for nothing. */
final readonly class Stages
{
    /** @param list<Aim> $aims */
    public function __construct(
        public ?Shaping $shaping = null,
        public ?Safety $safety = null,
        public array $aims = [],
        public ?Dimming $dimming = null,
        public ?Mastering $mastering = null,
    ) {
    }
}
