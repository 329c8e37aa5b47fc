<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Capture;

use NimbleJunction\Core\Wire\Malformed;

/** A recorded network, in either format. */
final class Capture
{
    /**
     * @return iterable<Frame> as far as the file is sound
     *
     * @throws Malformed
     */
    public static function frames(string $bytes): iterable
    {
        return match (true) {
            Pcapng::isOne($bytes) => Pcapng::frames($bytes),
            Pcap::isOne($bytes) => Pcap::frames($bytes),
            default => throw Malformed::at(
                0,
                'the file begins like neither a pcap nor a pcapng file',
                'PCAP Capture File Format',
            ),
        };
    }

    /**
     * The UDP datagrams of a capture, in their order.
     *
     * @param bool $leavesOut whether packets of a link that is for private use are left out, and not refused
     *
     * @return iterable<Datagram>
     *
     * @throws Malformed
     */
    public static function datagrams(string $bytes, bool $leavesOut = false): iterable
    {
        foreach (self::frames($bytes) as $frame) {
            $datagram = $leavesOut && $frame->linkType === Frame::PRIVATE_USE ? null : Link::datagram($frame);
            if ($datagram !== null) {
                yield $datagram;
            }
        }
    }
}
