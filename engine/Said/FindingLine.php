<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One answer of a check. */
final readonly class FindingLine extends Said
{
    /**
     * @param string $state right, wrong or open
     */
    public function __construct(
        public string $state,
        public string $question,
        public string $words,
        public string $remedy,
        public ?FindingFix $fix,
    ) {
    }
}
