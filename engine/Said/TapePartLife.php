<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A part of a tape that somebody named. */
final readonly class TapePartLife extends Said
{
    /**
     * @param float $from seconds from the beginning of the tape
     * @param float $to where it ends; 0 for the end of the tape
     * @param bool $isPlayed whether it plays now
     */
    public function __construct(
        public string $id,
        public string $name,
        public float $from,
        public float $to,
        public bool $isPlayed,
    ) {
    }
}
