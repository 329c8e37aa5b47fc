<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What controls of a surface show; those that show something else since. */
final readonly class ControlsNews extends Message
{
    /** @param array<string, ControlLife> $controls by id */
    public function __construct(
        public string $surface,
        #[MapOf(ControlLife::class)]
        public array $controls,
    ) {
    }

    public static function type(): string
    {
        return 'controls';
    }
}
