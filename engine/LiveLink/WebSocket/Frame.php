<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink\WebSocket;

/** Frames as the server sends them: whole, not masked (RFC 6455, 5.2). */
final class Frame
{
    public const TEXT = 1;
    public const BINARY = 2;
    public const CLOSE = 8;
    public const PING = 9;
    public const PONG = 10;

    public static function encode(int $opcode, string $payload): string
    {
        $length = \strlen($payload);

        return \chr(0x80 | $opcode).match (true) {
            $length < 126 => \chr($length),
            $length < 65536 => \chr(126).pack('n', $length),
            default => \chr(127).pack('J', $length),
        }.$payload;
    }

    /** @param int $code RFC 6455, 7.4 */
    public static function close(int $code, string $reason): string
    {
        return self::encode(self::CLOSE, pack('n', $code).substr($reason, 0, 120));
    }
}
