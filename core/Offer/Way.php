<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

/** One function of an offer with all that leads to it: a line of the table. */
final readonly class Way
{
    /**
     * @param int $place of the parameter among those of the offer, from 0
     * @param int $nth of the function among those of its parameter, from 0
     * @param string $address of OSC
     * @param int $number controller or note; beyond 127 there is none
     * @param int $bits of the controller, 7 or 14
     */
    public function __construct(
        public OfferedParameter $parameter,
        public OfferedFunction $function,
        public int $place,
        public int $nth,
        public string $address,
        public int $number,
        public int $bits,
    ) {
    }

    /** Its highest value in MIDI. */
    public function highestOfController(): int
    {
        return (1 << $this->bits) - 1;
    }

    /** Whether it is reached by a note; else by a controller. */
    public function isNote(): bool
    {
        return $this->function->isPressed();
    }
}
