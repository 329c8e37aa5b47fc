<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a look can be made of. */
final readonly class Gathered extends Said
{
    /** @param list<GatheredValue> $values */
    public function __construct(#[ListOf(GatheredValue::class)] public array $values)
    {
    }
}
