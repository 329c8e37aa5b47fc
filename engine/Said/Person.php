<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Somebody who has a page open, and what is on it. */
final readonly class Person extends Said
{
    /**
     * @param int $page its number
     * @param string $place "/s/guide" for a surface
     * @param float $cameAt milliseconds of the engine's clock
     * @param float|null $touchedAt when a control was touched last, to the second; null for never
     */
    public function __construct(
        public int $page,
        public string $name,
        public string $role,
        public string $place,
        public string $address,
        public float $cameAt,
        public ?float $touchedAt,
    ) {
    }
}
