<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Packets of ports in the last minute: of those where it has changed. */
final readonly class Minutes extends Message
{
    /**
     * @param array<string, MinuteCounts> $ports
     */
    public function __construct(
        public bool $whole,
        #[MapOf(MinuteCounts::class)]
        public array $ports,
    ) {
    }

    public static function type(): string
    {
        return 'minutes';
    }
}
