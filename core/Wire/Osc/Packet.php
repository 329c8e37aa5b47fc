<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** One OSC packet: a message, or a bundle (OSC 1.0, "OSC Packets"). */
final class Packet
{
    /**
     * All messages of a packet in their order. Whoever waits for time tags uses parse().
     *
     * @return list<Message>
     *
     * @throws Malformed
     */
    public static function decode(string $bytes): array
    {
        $packet = self::parse($bytes);

        return $packet instanceof Bundle ? $packet->messages() : [$packet];
    }

    /** @throws Malformed */
    public static function parse(string $bytes, int $base = 0, int $depth = 0): Message|Bundle
    {
        $length = \strlen($bytes);
        if ($length === 0 || $length % 4 !== 0) {
            throw Malformed::at($base, "{$length} bytes arrived, a multiple of four is required", 'OSC 1.0, OSC Packets');
        }

        return str_starts_with($bytes, Bundle::BEGINNING)
            ? Bundle::decode($bytes, $base, $depth)
            : Message::decode($bytes, $base);
    }
}
