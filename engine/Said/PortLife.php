<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a port is. Times are milliseconds of the engine's clock. */
final readonly class PortLife extends Said
{
    /**
     * @param float $in packets a second
     * @param float|null $gap longest silence of the last minute, in milliseconds
     * @param float|null $jitter the worst of the last ten seconds, in milliseconds (RFC 3550, 6.4.1)
     * @param string $health what is to be said of how it is, with figures; '' for nothing
     * @param float $lossTen per cent of frames that never came, over ten seconds
     * @param float $lossMinute the same over a minute
     * @param float $lossEver the same since the engine runs
     * @param float|null $gapEver longest silence since the engine runs, in milliseconds
     * @param float $fitting a time-out in seconds that fits a sender that is slower than that of now; 0 where none is
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
        public string $health,
        public float $lossTen,
        public float $lossMinute,
        public float $lossEver,
        public ?float $gapTen,
        public ?float $gapEver,
        public ?float $jitterMinute,
        public ?float $jitterEver,
        public float $fitting,
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
