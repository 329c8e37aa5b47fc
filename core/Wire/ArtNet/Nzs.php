<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpNzs, 0x5100: slots of a universe with a start code other than zero. They
 * are not levels. RDM (start code 0xCC) has packets of its own.
 *
 * Source: Art-Net 4 protocol document, "ArtNzs" (from memory).
 */
final readonly class Nzs
{
    private const RDM = 0xCC;

    /**
     * @param int $startCode 1 to 255, not 0xCC
     * @param string $data 1 to 512 bytes
     */
    public function __construct(public int $portAddress, public int $startCode, public string $data, public int $sequence = 0)
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $length = Header::checkData($bytes, 'ArtNzs', 1);
        $startCode = \ord($bytes[13]);
        if ($startCode === 0 || $startCode === self::RDM) {
            throw Malformed::at(13, \sprintf('StartCode is 0x%02X, which is not sent here', $startCode), 'Art-Net 4, ArtNzs');
        }

        return new self(\ord($bytes[15]) << 8 | \ord($bytes[14]), $startCode, substr($bytes, 18, $length), \ord($bytes[12]));
    }

    public function encode(): string
    {
        return self::layout()->write([
            'Sequence' => $this->sequence,
            'StartCode' => $this->startCode,
            'SubUni' => $this->portAddress & 255,
            'Net' => $this->portAddress >> 8,
            'Length' => \strlen($this->data), 'Data' => $this->data,
        ]);
    }

    public function spelled(): string
    {
        return 'port-address '.PortAddress::of($this->portAddress)->told().", start code {$this->startCode}";
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtNzs',
            OpCode::Nzs,
            19,
            Field::number('Sequence', 1),
            Field::number('StartCode', 1, 1),
            Field::number('SubUni', 1)->meaning(
                static fn(int $number): string => 'Sub-Net '.($number >> 4).', Universe '.($number & 15),
            ),
            Field::number('Net', 1, highest: 127),
            Field::number('Length', 2, 0, 512),
            Field::numbers('Data'),
        );
    }
}
