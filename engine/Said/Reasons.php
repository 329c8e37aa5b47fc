<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Why a fixture is dark. */
final readonly class Reasons extends Said
{
    /** @param list<ReasonLine> $reasons those that keep it dark first */
    public function __construct(
        #[ListOf(ReasonLine::class)]
        public array $reasons,
    ) {
    }
}
