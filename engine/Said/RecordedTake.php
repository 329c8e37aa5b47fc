<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One pass. */
final readonly class RecordedTake extends Said
{
    /** @param list<RecordedLane> $lanes */
    public function __construct(#[ListOf(RecordedLane::class)] public array $lanes)
    {
    }
}
