<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** Where two sets of levels differ. */
final class Difference
{
    /** Slots that are compared whole first: in most frames most of these blocks are as they were. */
    private const BLOCK = 128;

    /**
     * @param string $a 512 bytes
     * @param string $b 512 bytes
     *
     * @return list<int>|null slots from 0, or null when they are more than $most
     */
    public static function slots(string $a, string $b, int $most): ?array
    {
        $slots = [];
        $count = 0;
        $others = str_split($b, self::BLOCK);
        foreach (str_split($a, self::BLOCK) as $i => $block) {
            if ($block === $others[$i]) {
                continue;
            }
            $difference = $block ^ $others[$i];
            $length = \strlen($difference);
            for ($slot = strspn($difference, "\0"); $slot < $length; ++$slot) {
                if ($difference[$slot] === "\0") {
                    $slot += strspn($difference, "\0", $slot) - 1;

                    continue;
                }
                if (++$count > $most) {
                    return null;
                }
                $slots[] = $i * self::BLOCK + $slot;
            }
        }

        return $slots;
    }
}
