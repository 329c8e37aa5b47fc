<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** An event nearly fits a trigger or a condition: the one reason why it does not, in words. */
final readonly class Missed
{
    public function __construct(public string $reason)
    {
    }
}
