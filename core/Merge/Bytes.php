<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;

/**
 * One byte a slot, for a whole universe at once: PHP's bitwise operators and
 * strtr() work on 512 slots without a loop of ours.
 */
final class Bytes
{
    /** @var string every byte, in order: what tables of strtr() are read by */
    public static string $every = '';

    /** @var string 512 zero bytes */
    public static string $none = '';

    /** @var string 512 times 255 */
    public static string $all = '';

    /** 0 stays 0, everything else becomes 255. */
    private static string $filled = '';

    public static function prepare(): void
    {
        if (self::$every === '') {
            self::$every = implode('', array_map(\chr(...), range(0, 255)));
            self::$filled = "\0".str_repeat("\xFF", 255);
            self::$none = str_repeat("\0", Frame::SLOTS);
            self::$all = str_repeat("\xFF", Frame::SLOTS);
        }
    }

    /** @return string 255 where a byte is not 0, 0 elsewhere */
    public static function filled(string $bytes): string
    {
        return strtr($bytes, self::$every, self::$filled);
    }

    /**
     * @param string $below 512 bytes
     * @param string $above 512 bytes
     * @param string $mask 512 bytes: 255 where $above is to be seen, 0 elsewhere
     */
    public static function laid(string $below, string $above, string $mask): string
    {
        return $below ^ (($below ^ $above) & $mask);
    }

    /**
     * @param list<int> $slots 0 to 511
     *
     * @return string 512 bytes: 255 in these slots
     */
    public static function mask(array $slots): string
    {
        $mask = self::$none;
        foreach ($slots as $slot) {
            $mask[$slot] = "\xFF";
        }

        return $mask;
    }

    /**
     * @param string $mask 512 bytes
     *
     * @return list<int> slots from 0 whose byte is not 0
     */
    public static function slots(string $mask): array
    {
        $slots = [];
        $length = \strlen($mask);
        for ($slot = strspn($mask, "\0"); $slot < $length; $slot += 1 + strspn($mask, "\0", $slot + 1)) {
            $slots[] = $slot;
        }

        return $slots;
    }
}

Bytes::prepare();
