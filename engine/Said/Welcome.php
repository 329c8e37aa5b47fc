<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** The first thing that a page is told. */
final readonly class Welcome extends Message
{
    public function __construct(
        public string $user,
        public string $role,
    ) {
    }

    public static function type(): string
    {
        return 'welcome';
    }
}
