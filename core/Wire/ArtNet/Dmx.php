<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * OpDmx, 0x5000: the levels of one universe.
 *
 *   12 Sequence   1–255, going round; 0 = not used
 *   13 Physical   the sender's own socket number, for people only
 *   14 SubUni     Sub-Net in the high nibble, Universe in the low one
 *   15 Net        7 bits
 *   16 Length     high byte first, even, 2–512
 *   18 Data       one byte a slot
 *
 * Source: Art-Net 4 protocol document, "ArtDmx" (from memory).
 */
final readonly class Dmx
{
    private const CLAUSE = 'Art-Net 4, ArtDmx';

    /** @param string $levels one byte a slot, 2 to 512 and even */
    public function __construct(
        public int $portAddress,
        public string $levels,
        public int $sequence = 0,
        public int $physical = 0,
    ) {
    }

    /** @throws Malformed the header has been checked by Packet */
    public static function decode(string $bytes): self
    {
        $arrived = \strlen($bytes);
        if ($arrived < 18) {
            throw Malformed::tooShort('ArtDmx', 20, $arrived, self::CLAUSE);
        }
        $length = \ord($bytes[16]) << 8 | \ord($bytes[17]);
        if ($length < 2 || $length > 512) {
            throw Malformed::outside('Length', $length, 2, 512, 16, self::CLAUSE);
        }
        if (($length & 1) === 1) {
            throw Malformed::at(16, "Length is {$length}, an even number is required", self::CLAUSE);
        }
        if ($arrived < 18 + $length) {
            throw Malformed::tooShort("ArtDmx with {$length} slots", 18 + $length, $arrived, self::CLAUSE);
        }
        $net = \ord($bytes[15]);
        if ($net > 127) {
            throw Malformed::outside('Net', $net, 0, 127, 15, self::CLAUSE);
        }

        return new self(
            $net << 8 | \ord($bytes[14]),
            substr($bytes, 18, $length),
            \ord($bytes[12]),
            \ord($bytes[13]),
        );
    }

    public function encode(): string
    {
        $levels = \strlen($this->levels) % 2 === 1 ? $this->levels."\0" : $this->levels;
        $length = OutOfRange::check('Slot count', \strlen($levels), 2, 512);

        return "Art-Net\0\x00\x50\x00\x0E".\chr($this->sequence).\chr($this->physical)
            .pack('vn', OutOfRange::check('Art-Net port-address', $this->portAddress, 0, PortAddress::HIGHEST), $length)
            .$levels;
    }
}
