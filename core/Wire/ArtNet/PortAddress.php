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

    /**
     * As people write it: "18:3:4" or "18.3.4" (Net, Sub-Net, Universe), "3:4" (Net 0), "4660", or "0x1234".
     *
     * @throws OutOfRange
     */
    public static function parse(string $text): self
    {
        $text = trim($text);
        if (preg_match('/^0x([0-9a-f]{1,4})$/iD', $text, $found) === 1) {
            return self::of((int) hexdec($found[1]));
        }
        if (preg_match('/^(?:(\d{1,5})[:.\/ ])?(\d{1,5})[:.\/ ](\d{1,5})$/D', $text, $found) === 1) {
            return self::from((int) $found[1], (int) $found[2], (int) $found[3]);
        }

        return preg_match('/^\d{1,9}$/D', $text) === 1 ? self::of((int) $text) : throw OutOfRange::notSpelled(
            'Art-Net port-address',
            $text,
            '18:3:4 (Net : Sub-Net : Universe), 4660 or 0x1234',
        );
    }

    /** @param int $number as on a desk that counts universes from 1 */
    public static function countedFromOne(int $number): self
    {
        return self::of(OutOfRange::check('Universe of a desk that counts from 1', $number, 1, self::HIGHEST + 1) - 1);
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

    /** Sub-Net and Universe in one byte, as OpDmx has them. */
    public function subUni(): int
    {
        return $this->number & 255;
    }

    /** Net : Sub-Net : Universe, as people say it. */
    public function spelled(): string
    {
        return "{$this->net()}:{$this->subNet()}:{$this->universe()}";
    }

    /** Its number and its parts: "32767 (127:15:15)". */
    public function told(): string
    {
        return "{$this->number} ({$this->spelled()})";
    }
}
