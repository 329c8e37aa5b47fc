<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Tapes, and what is done with them now. */
final readonly class TapesNews extends Message
{
    /**
     * @param string $recording id of the tape that is recorded; '' for none
     * @param float $seconds of it so far
     * @param int $packets of it so far
     * @param string $why the last recording ended by itself
     * @param list<TapeLife> $tapes the newest first
     */
    public function __construct(
        public string $recording,
        public float $seconds,
        public int $packets,
        public string $why,
        #[ListOf(TapeLife::class)]
        public array $tapes,
    ) {
    }

    public static function type(): string
    {
        return 'tapes';
    }
}
