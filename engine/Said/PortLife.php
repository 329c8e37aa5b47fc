<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a port is. Times are milliseconds of the engine's clock. */
final readonly class PortLife extends Said
{
    /**
     * @param float $in packets a second
     * @param float|null $gap longest silence in milliseconds
     * @param array<string, int> $refusals by reason
     * @param array<string, int> $senders packets by address
     * @param list<string> $connected
     * @param string $heard the last thing, in words
     */
    public function __construct(
        public string $state,
        public string $fault,
        public float $in,
        public float $out,
        public int $received,
        public int $sent,
        public int $lost,
        public ?float $gap,
        public ?float $jitter,
        public int $refused,
        #[MapOf('int')]
        public array $refusals,
        #[MapOf('int')]
        public array $senders,
        #[ListOf('string')]
        public array $connected,
        public string $heard,
        public string $from,
        public ?float $firstAt,
        public ?float $heardAt,
        public ?float $sentAt,
    ) {
    }
}
