<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Lines of a timeline, in their order. */
final readonly class LineVerdicts extends Said
{
    /** @param list<LineVerdict> $lines */
    public function __construct(#[ListOf(LineVerdict::class)] public array $lines)
    {
    }
}
