<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

/** A line of the table of an offer, in words. */
final readonly class OfferLine
{
    /**
     * @param string $slots '' where it is at none
     * @param string $address of OSC; '' for none
     * @param string $id of its parameter
     * @param list<string> $points that it sets or presses
     */
    public function __construct(
        public string $slots,
        public string $parameter,
        public string $bits,
        public string $values,
        public string $does,
        public string $address,
        public string $argument,
        public string $midi,
        public string $id,
        public array $points,
        public int $first,
        public int $last,
    ) {
    }

    /** @return list<string> as they stand in a table */
    public function cells(): array
    {
        return [
            $this->slots,
            $this->parameter,
            $this->bits,
            $this->values,
            $this->does,
            $this->address,
            $this->argument,
            $this->midi,
        ];
    }
}
