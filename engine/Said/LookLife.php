<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A look that gives something, or goes out. Times are milliseconds of the engine's clock. */
final readonly class LookLife extends Said
{
    /**
     * @param float $level 0 to 100; 0 while it goes out
     * @param float $until when it is complete, or out
     */
    public function __construct(public string $id, public float $level, public float $until)
    {
    }
}
