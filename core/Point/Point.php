<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** What is to be known of a point: made when somebody asks, never kept on the way of a signal. */
final readonly class Point
{
    /**
     * @param string $name for people
     * @param float $low the lowest value that it takes, where it has numbers
     * @param float $high the highest
     * @param list<string> $choices the words of a choice or state
     * @param list<array{float, float, string}> $ranges named ones, from the lowest: from, to, name
     * @param bool $isSet whether it can be set
     * @param bool $isPressed whether it can be pressed
     */
    public function __construct(
        public Reference $reference,
        public string $name,
        public PointKind $kind,
        public float $low = 0.0,
        public float $high = 1.0,
        public string $unit = '',
        public array $choices = [],
        public bool $isSet = false,
        public bool $isPressed = false,
        public array $ranges = [],
    ) {
    }
}
