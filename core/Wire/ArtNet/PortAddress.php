<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\OutOfRange;

/**
 * The 15-bit address of one universe in Art-Net: Net (7 bits), Sub-Net
 * (4 bits) and Universe (4 bits). The first one is 0, not 1.
 *
 * Source: Art-Net 4 protocol document, "Universe addressing" (from memory).
 */
final readonly class PortAddress
{
    public const HIGHEST = 32767;

    private function __construct(public int $number)
    {
    }

    /** @param int $number 0 to 32767 */
    public static function of(int $number): self
    {
        return new self(OutOfRange::check('Art-Net port-address', $number, 0, self::HIGHEST));
    }

    /**
     * @param int $net 0 to 127
     * @param int $subNet 0 to 15
     * @param int $universe 0 to 15
     */
    public static function from(int $net, int $subNet, int $universe): self
    {
        OutOfRange::check('Art-Net Net', $net, 0, 127);
        OutOfRange::check('Art-Net Sub-Net', $subNet, 0, 15);
        OutOfRange::check('Art-Net Universe', $universe, 0, 15);

        return new self($net << 8 | $subNet << 4 | $universe);
    }

    public function net(): int
    {
        return $this->number >> 8;
    }

    public function subNet(): int
    {
        return $this->number >> 4 & 15;
    }

    public function universe(): int
    {
        return $this->number & 15;
    }

    /** Net : Sub-Net : Universe, as people say it. */
    public function spelled(): string
    {
        return "{$this->net()}:{$this->subNet()}:{$this->universe()}";
    }
}
