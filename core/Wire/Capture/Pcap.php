<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

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
                throw Malformed::at($at + 8, "a packet of {$size} bytes does not fit, ".($length - $at - 16).' are left', self::CLAUSE);
            }
            $time = self::number($order, $bytes, $at) * 1_000_000_000 + self::number($order, $bytes, $at + 4) * ($nanos ? 1 : 1000);

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
            $packet = self::ipv4($datagram);
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

    private static function ipv4(Datagram $datagram): string
    {
        $udp = pack(
            'nnnn',
            $datagram->sourcePort,
            $datagram->destinationPort,
            OutOfRange::check('Length of a datagram', \strlen($datagram->payload), 0, 65507) + 8,
            0,
        ).$datagram->payload;
        $header = pack(
            'CCnnnCCn',
            0x45,
            0,
            20 + \strlen($udp),
            0,
            0x4000,
            64,
            17,
            0,
        ).inet_pton($datagram->source).inet_pton($datagram->destination);
        $sum = array_sum(array_map(static fn(string $two): int => (int) hexdec(bin2hex($two)), str_split($header, 2)));
        while ($sum > 0xFFFF) {
            $sum = ($sum & 0xFFFF) + ($sum >> 16);
        }

        return substr_replace($header, pack('n', ~$sum & 0xFFFF), 10, 2).$udp;
    }

    private static function number(string $order, string $bytes, int $at): int
    {
        $read = unpack($order, $bytes, $at);

        return \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
    }
}
