<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** All that is live of the programme. */
final readonly class ProgrammeNews extends Message
{
    /**
     * @param float $now milliseconds of the engine's clock
     * @param list<LookLife> $looks
     * @param list<ListLife> $lists
     * @param list<MasterLife> $masters
     * @param list<WaveLife> $waves
     * @param list<TempoLife> $tempos
     * @param int $leftLit slots that are raised and have no fixture, while it is dark: blackout leaves them
     * @param float $fadeTime seconds: the common one
     */
    public function __construct(
        public float $now,
        #[ListOf(LookLife::class)]
        public array $looks,
        #[ListOf(ListLife::class)]
        public array $lists,
        #[ListOf(MasterLife::class)]
        public array $masters,
        #[ListOf(WaveLife::class)]
        public array $waves,
        #[ListOf(TempoLife::class)]
        public array $tempos,
        public bool $blackout,
        public int $leftLit,
        public float $fadeTime,
    ) {
    }

    public static function type(): string
    {
        return 'programme';
    }
}
