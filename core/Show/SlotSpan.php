<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

/** A run of slots. */
final readonly class SlotSpan extends Span
{
    public static function label(): string
    {
        return 'Slot span';
    }

    public function number(): int
    {
        return 1;
    }
}
