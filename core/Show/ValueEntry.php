<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A value of the show's own: a switch, a number, a choice or a text that routes and people set and read. */
final readonly class ValueEntry
{
    public const TYPES = ['switch', 'number', 'choice', 'text'];

    /**
     * @param string $type one of TYPES
     * @param int|float|string $start what it is at first: 0 or 1 for a switch
     * @param list<string> $choices of a choice
     * @param bool $isKept whether it is what it was after a restart
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $type,
        public int|float|string $start,
        public float $low = 0.0,
        public float $high = 100.0,
        public array $choices = [],
        public bool $isKept = true,
    ) {
    }
}
