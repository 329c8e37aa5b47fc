<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/** What stands in front of every Art-Net packet, as the first fields of its layout. */
final class Header
{
    /** @param int $shortest bytes that a receiver must accept */
    public static function layout(string $name, OpCode $code, int $shortest, Field ...$fields): Layout
    {
        $first = [
            Field::fixed('ID', Packet::ID),
            Field::numberLowFirst('OpCode', 2, $code->value)->meaning(
                static fn(int $number): string => OpCode::tryFrom($number)?->spelled() ?? '',
            ),
        ];
        if ($code !== OpCode::PollReply) {
            $first[] = Field::number('ProtVer', 2, Packet::VERSION);
        }

        return new Layout($name, "Art-Net 4, {$name}", $shortest, ...$first, ...$fields);
    }

    /**
     * The two bytes of a universe and the length of what follows, as OpDmx and OpNzs have them at byte 14 on.
     *
     * @throws Malformed
     */
    public static function checkData(string $bytes, string $name, int $shortestData): int
    {
        $arrived = \strlen($bytes);
        if ($arrived < 18) {
            throw Malformed::tooShort($name, 18 + $shortestData, $arrived, "Art-Net 4, {$name}");
        }
        $length = \ord($bytes[16]) << 8 | \ord($bytes[17]);
        if ($length < $shortestData || $length > 512) {
            throw Malformed::outside('Length', $length, $shortestData, 512, 16, "Art-Net 4, {$name}");
        }
        if ($arrived < 18 + $length) {
            throw Malformed::tooShort("{$name} with {$length} slots", 18 + $length, $arrived, "Art-Net 4, {$name}");
        }
        if (\ord($bytes[15]) > 127) {
            throw Malformed::outside('Net', \ord($bytes[15]), 0, 127, 15, "Art-Net 4, {$name}");
        }

        return $length;
    }
}
