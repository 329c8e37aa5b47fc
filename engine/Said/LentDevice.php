<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A device that a page lends. */
final readonly class LentDevice extends Said
{
    public function __construct(
        public string $kind,
        public string $name,
        public string $who,
    ) {
    }
}
