<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A point that is recorded. */
final readonly class ArmedPoint extends Said
{
    public function __construct(public string $point, public string $name, public bool $isWritten)
    {
    }
}
