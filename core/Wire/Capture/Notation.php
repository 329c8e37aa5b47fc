<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Layout\Notation as NotationInterface;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Plain;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;

/** The UDP datagrams of a capture file; what a packet carries besides is named and left alone. */
final class Notation implements NotationInterface
{
    public function read(string $bytes): Part
    {
        $packets = [];
        foreach (Capture::frames($bytes) as $frame) {
            $packets[] = self::packet((string) \count($packets), $frame);
        }

        return Part::group(
            Pcapng::isOne($bytes) ? 'pcapng' : 'pcap',
            0,
            \strlen($bytes),
            [Part::list('packets', 0, \strlen($bytes), $packets)],
        );
    }

    public function write(array $fields): string
    {
        $packets = $fields['packets'] ?? null;
        if (! \is_array($packets)) {
            throw Unwritable::field('packets', $packets, 'use a list of datagrams');
        }
        $datagrams = [];
        foreach ($packets as $i => $packet) {
            $datagrams[] = self::datagram(\is_array($packet) ? $packet : [], "packets/{$i}");
        }

        return Pcap::write($datagrams);
    }

    private static function packet(string $name, Frame $frame): Part
    {
        $length = \strlen($frame->bytes);
        $time = Part::value(
            'time',
            $frame->offset,
            0,
            $frame->at,
            gmdate('Y-m-d H:i:s', intdiv($frame->at, 1_000_000_000)).' UTC',
        );
        try {
            $datagram = Link::datagram($frame);
        } catch (Malformed $malformed) {
            return Part::group(
                $name,
                $frame->offset,
                $length,
                [$time, Part::value('error', $frame->offset, $length, $malformed->getMessage())],
            );
        }
        if ($datagram === null) {
            return Part::group(
                $name,
                $frame->offset,
                $length,
                [$time, Part::value('other', $frame->offset, $length, bin2hex($frame->bytes))],
                'no UDP over IPv4',
            );
        }
        $payload = \strlen($datagram->payload);

        return Part::group($name, $frame->offset, $length, [
            $time,
            Part::value('source', $frame->offset, 0, "{$datagram->source}:{$datagram->sourcePort}"),
            Part::value('destination', $frame->offset, 0, "{$datagram->destination}:{$datagram->destinationPort}"),
            Part::value('data', $frame->offset + $length - $payload, $payload, bin2hex($datagram->payload)),
        ]);
    }

    /** @param array<mixed> $packet */
    private static function datagram(array $packet, string $path): Datagram
    {
        $time = $packet['time'] ?? 0;
        if (! \is_int($time) || $time < 0 || $time >= 0xFFFFFFFF * 1_000_000_000) {
            throw Unwritable::field("{$path}/time", $time, 'use nanoseconds since 1970');
        }
        $data = Plain::bytes($packet['data'] ?? null, "{$path}/data");
        [$source, $sourcePort] = self::end($packet['source'] ?? null, "{$path}/source");
        [$destination, $destinationPort] = self::end($packet['destination'] ?? null, "{$path}/destination");

        return new Datagram($time, $source, $sourcePort, $destination, $destinationPort, $data);
    }

    /** @return array{string, int} */
    private static function end(mixed $end, string $path): array
    {
        [$address, $port] = explode(':', \is_string($end) ? $end : '', 2) + [1 => ''];
        if (
            filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false
            || ! ctype_digit($port)
            || (int) $port > 65535
        ) {
            throw Unwritable::field($path, $end, 'use an IPv4 address and a port, like 192.168.1.10:6454');
        }

        return [$address, (int) $port];
    }
}
