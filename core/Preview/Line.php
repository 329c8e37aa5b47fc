<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Preview;

/** One thing that a route would do. */
final readonly class Line
{
    /** @param string $bytes what would leave, in hexadecimal; '' where nothing does */
    public function __construct(public string $words, public string $bytes = '')
    {
    }
}
