<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Signal;

/** The levels of one universe from one source: the first of the two currencies. */
final readonly class Frame
{
    public const SLOTS = 512;

    /**
     * @param int $number the universe as the wire numbers it: Art-Net port-address, sACN universe, 0 for a line
     * @param string $levels one byte a slot, up to 512
     * @param string $source who sends it, the same in every frame of one sender
     * @param string $name the sender's own name for itself, or ''
     * @param int|null $priority 0–200, null where the format has none
     * @param int|null $sequence 0–255, null where not used
     * @param bool $ended the sender says that this is its last
     * @param bool $preview not meant for the live output
     * @param string $sync key of the synchronisation that it may have to wait for; '' for none
     * @param bool $freeRuns once synchronisation is lost it no longer waits
     */
    public function __construct(
        public Protocol $protocol,
        public int $number,
        public string $levels,
        public string $source,
        public string $name = '',
        public ?int $priority = null,
        public ?int $sequence = null,
        public bool $ended = false,
        public bool $preview = false,
        public int $startCode = 0,
        public string $sync = '',
        public bool $freeRuns = true,
    ) {
    }
}
