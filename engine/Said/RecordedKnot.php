<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A point of a recorded line, as it goes into the show. */
final readonly class RecordedKnot extends Said
{
    /** @param string $to linear or step */
    public function __construct(public float $at, public float $value, public string $to)
    {
    }
}
