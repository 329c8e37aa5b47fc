<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Malformed;

/**
 * The older capture format: a header of 24 bytes, then each packet behind 16
 * bytes of its own. Times are microseconds, or nanoseconds where the magic
 * number says so; the byte order is the recorder's.
 *
 * Source: "PCAP Capture File Format", IETF draft (from memory).
 */
final class Pcap
{
    public const NANOS = 0xA1B23C4D;
    private const CLAUSE = 'PCAP Capture File Format';
    private const LONGEST = 262144;

    public static function isOne(string $bytes): bool
    {
        return \in_array(
            substr($bytes, 0, 4),
            ["\xA1\xB2\xC3\xD4", "\xD4\xC3\xB2\xA1", "\xA1\xB2\x3C\x4D", "\x4D\x3C\xB2\xA1"],
            true,
        );
    }

    /**
     * @return iterable<Frame> as far as the file is sound
     *
     * @throws Malformed where it stops to be
     */
    public static function frames(string $bytes): iterable
    {
        if (\strlen($bytes) < 24) {
            throw Malformed::tooShort('A pcap header', 24, \strlen($bytes), self::CLAUSE);
        }
        $order = $bytes[0] === "\xA1" ? 'N' : 'V';
        $nanos = self::number($order, $bytes, 0) === self::NANOS;
        $linkType = self::number($order, $bytes, 20) & 0xFFFF;
        for ($at = 24, $length = \strlen($bytes); $at < $length; $at += 16 + $size) {
            if ($length - $at < 16) {
                throw Malformed::at($at, 'the header of a packet is cut off', self::CLAUSE);
            }
            $size = self::number($order, $bytes, $at + 8);
            if ($size > self::LONGEST || $size > $length - $at - 16) {
                throw Malformed::at(
                    $at + 8,
                    "a packet of {$size} bytes does not fit, ".($length - $at - 16).' are left',
                    self::CLAUSE,
                );
            }
            $time = self::number($order, $bytes, $at) * 1_000_000_000 + self::number(
                $order,
                $bytes,
                $at + 4,
            ) * ($nanos ? 1 : 1000);

            yield new Frame(
                $time,
                $linkType,
                substr($bytes, $at + 16, $size),
                $at + 16,
                self::number($order, $bytes, $at + 12) === $size,
            );
        }
    }

    /**
     * A capture file of these datagrams: nanoseconds, low byte first, raw IPv4.
     *
     * @param list<Datagram> $datagrams
     */
    public static function write(array $datagrams): string
    {
        $bytes = pack('VvvVVVV', self::NANOS, 2, 4, 0, 0, self::LONGEST, Frame::RAW);
        foreach ($datagrams as $datagram) {
            $packet = RawIpv4::packet($datagram);
            $bytes .= pack(
                'VVVV',
                intdiv($datagram->at, 1_000_000_000),
                $datagram->at % 1_000_000_000,
                \strlen($packet),
                \strlen($packet),
            ).$packet;
        }

        return $bytes;
    }

    private static function number(string $order, string $bytes, int $at): int
    {
        $read = unpack($order, $bytes, $at);

        return \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
    }
}
