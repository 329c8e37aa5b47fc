<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;

/** One sender of a universe, as long as it is heard. */
final class Source extends Contributor
{
    public int $slots = 0;
    public ?int $sequence = null;
    public int $heardAt = 0;
    public int $frames = 0;
    public int $outOfOrder = 0;

    /** Frames that never came, by the gaps in their sequence numbers. */
    public int $lost = 0;

    /** @var string 512 bytes: a priority for each slot (0 for slots that it does not send); '' while it gives none */
    public string $slotPriorities = '';
    public int $slotPrioritiesAt = 0;

    /** It says that its levels are not meant for the live output: shown, never merged. */
    public bool $preview = false;

    /**
     * @param string $key the same as long as it is the same sender through the same port
     * @param string $address where it sends from
     * @param int $priority 0 to 200
     * @param Rhythm $rhythm kept when it was heard before
     * @param int|null $lostAfter nanoseconds of silence; null for what its standard says
     * @param bool $lastResort leads only where no other kind of source is there, whatever its priority
     */
    public function __construct(
        string $key,
        public readonly string $portId,
        public readonly Protocol $protocol,
        string $name,
        public string $address,
        public int $priority,
        public bool $lastResort = false,
        public Rhythm $rhythm = new Rhythm(),
        public ?int $lostAfter = null,
    ) {
        parent::__construct($key, $name);
    }

    /** @param string $levels up to 512 bytes; slots that are not sent count as 0 */
    public function set(string $levels): void
    {
        $this->slots = \strlen($levels);
        $this->levels = $this->slots === Frame::SLOTS ? $levels : str_pad($levels, Frame::SLOTS, "\0");
    }

    /** Where it stands among others: a source of last resort is below all that are none. */
    public function rank(): int
    {
        return $this->priority - ($this->lastResort ? 1000 : 0);
    }

    public function lostAt(): int
    {
        return $this->heardAt + ($this->lostAfter ?? $this->protocol->sourceLossNanos());
    }
}
