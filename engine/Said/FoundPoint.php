<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A point of the show, with its value. */
final readonly class FoundPoint extends Said
{
    /**
     * @param list<string> $choices
     * @param list<FoundRange> $ranges
     */
    public function __construct(
        public string $point,
        public string $name,
        public string $kind,
        public float $low,
        public float $high,
        public string $unit,
        #[ListOf('string')]
        public array $choices,
        public bool $isSet,
        public bool $isPressed,
        public int|float|string|null $value,
        #[ListOf(FoundRange::class)]
        public array $ranges,
    ) {
    }
}
