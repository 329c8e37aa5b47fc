<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What a check has found. */
final readonly class Findings extends Said
{
    /**
     * @param list<FindingLine> $findings
     */
    public function __construct(
        #[ListOf(FindingLine::class)]
        public array $findings,
    ) {
    }
}
