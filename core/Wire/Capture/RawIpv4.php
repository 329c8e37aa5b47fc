<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\OutOfRange;

/** A datagram as a packet of IPv4 and UDP, without a checksum of UDP's own (RFC 768 lets 0 stand for none). */
final class RawIpv4
{
    public static function packet(Datagram $datagram): string
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
}
