<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What was recorded and waits to be kept: a take for each pass. */
final readonly class RecordedTakes extends Said
{
    /** @param list<RecordedTake> $takes */
    public function __construct(public string $timeline, #[ListOf(RecordedTake::class)] public array $takes)
    {
    }
}
