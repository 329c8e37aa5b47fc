<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** Bytes as people write them. */
final class Spelling
{
    /**
     * @param string $bytes 16 of them
     *
     * @return string like "6ba7b810-9dad-11d1-80b4-00c04fd430c8" (RFC 4122, 3)
     */
    public static function uuid(string $bytes): string
    {
        $hex = bin2hex($bytes);

        return implode('-', [substr($hex, 0, 8), substr($hex, 8, 4), substr($hex, 12, 4), substr($hex, 16, 4), substr($hex, 20)]);
    }

    /**
     * @param string $bytes six of them
     *
     * @return string like "02:00:5e:10:00:01"
     */
    public static function mac(string $bytes): string
    {
        return implode(':', str_split(bin2hex($bytes), 2));
    }

    /**
     * @param string $bytes six of them: two of the maker, four of the device
     *
     * @return string like "7ff0:00000001" (ANSI E1.20, 5.1, from memory)
     */
    public static function rdmUid(string $bytes): string
    {
        return bin2hex(substr($bytes, 0, 2)).':'.bin2hex(substr($bytes, 2));
    }
}
