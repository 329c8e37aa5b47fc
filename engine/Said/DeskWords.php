<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What was said to a desk, or by it. */
final readonly class DeskWords extends Said
{
    public function __construct(public bool $isOurs, public string $words)
    {
    }
}
