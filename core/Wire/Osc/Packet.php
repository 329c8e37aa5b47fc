<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/**
 * One OSC packet: a message, or a bundle of packets. A bundle's messages are
 * handed out in their order; its time tag is not waited for.
 *
 * Source: OSC 1.0, "OSC Packets" and "OSC Bundles".
 */
final class Packet
{
    public const DEEPEST = 8;

    /**
     * @return list<Message>
     *
     * @throws Malformed
     */
    public static function decode(string $bytes, int $depth = 0, int $base = 0): array
    {
        $length = \strlen($bytes);
        if ($length === 0 || $length % 4 !== 0) {
            throw Malformed::at($base, "{$length} bytes arrived, a multiple of four is required", 'OSC 1.0, OSC Packets');
        }
        if (! str_starts_with($bytes, "#bundle\0")) {
            return [Message::decode($bytes, $base)];
        }
        if ($length < 16) {
            throw Malformed::tooShort('A bundle', 16, $length, 'OSC 1.0, OSC Bundles');
        }
        if ($depth >= self::DEEPEST) {
            throw Malformed::at($base, 'bundles are nested deeper than '.self::DEEPEST, 'our own limit');
        }
        $messages = [];
        for ($offset = 16; $offset < $length;) {
            $read = unpack('N', $bytes, $offset);
            $size = \is_array($read) && \is_int($read[1]) ? $read[1] : 0;
            if ($size === 0 || $size % 4 !== 0 || $size > $length - $offset - 4) {
                throw Malformed::at($base + $offset, "element size {$size} does not fit", 'OSC 1.0, OSC Bundles');
            }
            array_push($messages, ...self::decode(substr($bytes, $offset + 4, $size), $depth + 1, $base + $offset + 4));
            $offset += 4 + $size;
        }

        return $messages;
    }
}
