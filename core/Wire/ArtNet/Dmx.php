<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * OpDmx, 0x5000: the levels of one universe.
 *
 *   12 Sequence   1–255, going round; 0 = not used
 *   13 Physical   the sender's own socket number, for people only
 *   14 SubUni     Sub-Net in the high nibble, Universe in the low one
 *   15 Net        7 bits
 *   16 Length     high byte first, even, 2–512; an odd one, as some send it, is accepted
 *   18 Data       one byte a slot
 *
 * Source: Art-Net 4 protocol document, "ArtDmx" (from memory).
 */
final readonly class Dmx
{
    /** @param string $levels one byte a slot, 1 to 512; sent as an even number */
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
        $length = Header::checkData($bytes, 'ArtDmx', 1);

        return new self(
            \ord($bytes[15]) << 8 | \ord($bytes[14]),
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

    public function spelled(): string
    {
        return 'port-address '.PortAddress::of($this->portAddress)->told();
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtDmx',
            OpCode::Dmx,
            20,
            Field::number('Sequence', 1)->meaning(static fn(int $number): string => $number === 0 ? 'not used' : ''),
            Field::number('Physical', 1),
            Field::number('SubUni', 1)->meaning(
                static fn(int $number): string => 'Sub-Net '.($number >> 4).', Universe '.($number & 15),
            ),
            Field::number('Net', 1, highest: 127),
            Field::number('Length', 2, 512, 512),
            Field::numbers('Data'),
        );
    }
}
