<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** A tape as it stands. */
final readonly class TapeLife extends Said
{
    /**
     * @param int $made seconds since 1970
     * @param list<TapePartLife> $parts
     * @param float|null $at where it plays, in seconds; null while it does not
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $made,
        public int $bytes,
        public float $seconds,
        public int $packets,
        public float $from,
        public float $to,
        public bool $loops,
        #[ListOf(TapePartLife::class)]
        public array $parts,
        public ?float $at,
    ) {
    }
}
