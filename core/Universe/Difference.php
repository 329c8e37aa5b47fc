<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** Where two sets of levels differ. */
final class Difference
{
    /**
     * @param string $a 512 bytes
     * @param string $b 512 bytes
     *
     * @return list<int>|null slots from 0, or null when they are more than $most
     */
    public static function slots(string $a, string $b, int $most): ?array
    {
        $difference = rtrim($a ^ $b, "\0");
        $length = \strlen($difference);
        $slots = [];
        for ($slot = strspn($difference, "\0"); $slot < $length; $slot += 1 + strspn($difference, "\0", $slot + 1)) {
            if (\count($slots) >= $most) {
                return null;
            }
            $slots[] = $slot;
        }

        return $slots;
    }
}
