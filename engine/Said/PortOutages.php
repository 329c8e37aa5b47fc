<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** The outages of a port since the engine runs, the newest first. */
final readonly class PortOutages extends Message
{
    /** @param list<OutageLine> $outages */
    public function __construct(
        public string $port,
        public float $now,
        #[ListOf(OutageLine::class)]
        public array $outages,
    ) {
    }

    public static function type(): string
    {
        return 'outages';
    }
}
