<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** OSC over a stream as version 1.1 has it: SLIP (RFC 1055) with an END byte before and after each packet. */
final class SlipFraming
{
    private const END = "\xC0";
    private const ESC = "\xDB";
    private const ESC_END = "\xDB\xDC";
    private const ESC_ESC = "\xDB\xDD";
    private string $buffer = '';

    public function __construct(private readonly int $longest = 65536)
    {
    }

    public static function frame(string $packet): string
    {
        return self::END.strtr($packet, [self::END => self::ESC_END, self::ESC => self::ESC_ESC]).self::END;
    }

    /**
     * @return list<string> packets that are whole now
     *
     * @throws Malformed one packet is broken or too long; the stream goes on with the next one
     */
    public function push(string $bytes): array
    {
        $pieces = explode(self::END, $this->buffer.$bytes);
        $this->buffer = (string) array_pop($pieces);
        if (\strlen($this->buffer) > 2 * $this->longest) {
            $this->buffer = '';

            throw Malformed::outside('Packet length', 2 * $this->longest + 1, 0, $this->longest, 0, 'RFC 1055');
        }
        $packets = [];
        foreach ($pieces as $piece) {
            if ($piece === '') {
                continue;
            }
            if (preg_match('/\xDB(?![\xDC\xDD])/', $piece, $found, \PREG_OFFSET_CAPTURE) === 1) {
                throw Malformed::at($found[0][1], 'ESC is followed by neither ESC_END nor ESC_ESC', 'RFC 1055');
            }
            $packets[] = strtr($piece, [self::ESC_END => self::END, self::ESC_ESC => self::ESC]);
        }

        return $packets;
    }
}
