<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

/** Ways in which a packet can be broken on its way, each sure to break this one. */
final class Breakage
{
    /** @return list<string> */
    public static function of(string $packet): array
    {
        $flipped = $packet;
        for ($i = 0; $i < min(20, \strlen($flipped)); ++$i) {
            $flipped[$i] = \chr(\ord($flipped[$i]) ^ 0x55);
        }

        return [
            substr($packet, 0, 7),
            substr($packet, 0, intdiv(\strlen($packet), 2)),
            $flipped,
            substr_replace($packet, "\xEE\xEE", 8, 2),
        ];
    }
}
