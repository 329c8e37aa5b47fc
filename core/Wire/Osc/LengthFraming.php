<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** OSC over a stream as version 1.0 has it: four bytes of length, high byte first, in front of each packet. */
final class LengthFraming
{
    private string $buffer = '';

    /** @param int $longest bytes of a packet; a longer one ends the stream, since it cannot be told from rubbish */
    public function __construct(private readonly int $longest = 65536)
    {
    }

    public static function frame(string $packet): string
    {
        return pack('N', \strlen($packet)).$packet;
    }

    /**
     * @return list<string> packets that are whole now
     *
     * @throws Malformed the stream cannot be read any further
     */
    public function push(string $bytes): array
    {
        $this->buffer .= $bytes;
        $packets = [];
        for ($at = 0; \strlen($this->buffer) - $at >= 4; $at += 4 + $size) {
            $size = (int) hexdec(bin2hex(substr($this->buffer, $at, 4)));
            if ($size > $this->longest) {
                $this->buffer = '';

                throw Malformed::outside(
                    'Packet length',
                    $size,
                    0,
                    $this->longest,
                    $at,
                    'OSC 1.0, OSC Packets (stream-based protocols)',
                );
            }
            if (\strlen($this->buffer) - $at - 4 < $size) {
                break;
            }
            $packets[] = substr($this->buffer, $at + 4, $size);
        }
        $this->buffer = substr($this->buffer, $at);

        return $packets;
    }
}
