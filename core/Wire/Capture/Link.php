<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Malformed;

/**
 * From a recorded packet to the UDP datagram in it: link header, IPv4, UDP.
 * What is something else is no datagram; what claims to be one and is broken
 * is refused.
 *
 * Sources: IEEE 802.3, RFC 791, RFC 768, the registry of link types (from memory).
 */
final class Link
{
    private const IPV4 = 0x0800;
    private const VLAN = [0x8100, 0x88A8];
    private const UDP = 17;

    /** @throws Malformed offsets count from the beginning of the packet */
    public static function datagram(Frame $frame): ?Datagram
    {
        $bytes = $frame->bytes;
        $at = self::ipv4At($frame->linkType, $bytes);
        if ($at === null) {
            return null;
        }
        if (\strlen($bytes) - $at < 20) {
            throw Malformed::at(\strlen($bytes), 'an IPv4 header is cut off', 'RFC 791, 3.1');
        }
        $header = (\ord($bytes[$at]) & 15) * 4;
        $total = self::number($bytes, $at + 2, 2);
        if (\ord($bytes[$at]) >> 4 !== 4) {
            return null;
        }
        if ($header < 20 || $total < $header || $at + $total > \strlen($bytes)) {
            throw Malformed::at($at, 'the lengths of the IPv4 header do not fit the packet', 'RFC 791, 3.1');
        }
        if (\ord($bytes[$at + 9]) !== self::UDP) {
            return null;
        }
        if ((self::number($bytes, $at + 6, 2) & 0x3FFF) !== 0) {
            throw Malformed::at($at + 6, 'the datagram is cut into fragments, which are not put together here', 'RFC 791, 3.2');
        }
        $udp = $at + $header;
        $length = $at + $total - $udp < 8 ? 0 : self::number($bytes, $udp + 4, 2);
        if ($length < 8 || $udp + $length > $at + $total) {
            throw Malformed::at($udp, 'the UDP header is cut off, or its length does not fit', 'RFC 768');
        }

        return new Datagram(
            $frame->at,
            self::address($bytes, $at + 12),
            self::number($bytes, $udp, 2),
            self::address($bytes, $at + 16),
            self::number($bytes, $udp + 2, 2),
            substr($bytes, $udp + 8, $length - 8),
        );
    }

    /** Where the IPv4 header begins; null when there is none. */
    private static function ipv4At(int $linkType, string $bytes): ?int
    {
        [$typeAt, $next] = match ($linkType) {
            Frame::ETHERNET => [12, 14],
            Frame::LINUX_COOKED => [14, 16],
            Frame::LINUX_COOKED_2 => [0, 20],
            default => [-1, 0],
        };
        if ($typeAt >= 0) {
            if (\strlen($bytes) < $next) {
                throw Malformed::at(\strlen($bytes), 'the link header is cut off', 'registry of link types');
            }
            $type = self::number($bytes, $typeAt, 2);
            while (\in_array($type, self::VLAN, true) && \strlen($bytes) >= $next + 4) {
                $type = self::number($bytes, $next + 2, 2);
                $next += 4;
            }

            return $type === self::IPV4 ? $next : null;
        }
        if ($linkType === Frame::NULL_LOOPBACK || $linkType === Frame::LOOPBACK) {
            // The family stands in the byte order of whoever recorded it.
            return \in_array(substr($bytes, 0, 4), ["\x02\0\0\0", "\0\0\0\x02"], true) ? 4 : null;
        }

        return $linkType === Frame::RAW || $linkType === Frame::RAW_IPV4
            ? 0
            : throw Malformed::at(
                0,
                "link type {$linkType} is not one that is read here: Ethernet, loopback, Linux cooked, raw IPv4",
                'registry of link types',
            );
    }

    private static function number(string $bytes, int $at, int $width): int
    {
        return (int) hexdec(bin2hex(substr($bytes, $at, $width)));
    }

    private static function address(string $bytes, int $at): string
    {
        return implode('.', array_map(\ord(...), str_split(substr($bytes, $at, 4))));
    }
}
