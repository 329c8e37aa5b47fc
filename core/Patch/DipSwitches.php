<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * An address as it stands on a row of switches: switch 1 counts 1, switch 2 counts 2, switch 3 counts 4, and switch 9
 * counts 256; a tenth one counts 512, or chooses a mode (common practice, no source). Some devices count from 0.
 */
final class DipSwitches
{
    public const USUAL = 9;

    /**
     * @param int $address 1 to 512
     * @param int $count switches that count, 9 or 10
     *
     * @return list<bool>|null the first one first: whether each is on; null where so few cannot say it: 512 on nine
     */
    public static function of(int $address, int $count = self::USUAL, bool $fromZero = false): ?array
    {
        $number = $fromZero ? $address - 1 : $address;
        if ($number >= 1 << $count) {
            return null;
        }

        return array_map(static fn(int $switch): bool => ($number >> $switch & 1) === 1, range(0, $count - 1));
    }

    /**
     * @param list<bool> $switches the first one first
     *
     * @return int|null 1 to 512; null where they stand at no address
     */
    public static function address(array $switches, bool $fromZero = false): ?int
    {
        $number = $fromZero ? 1 : 0;
        foreach ($switches as $switch => $isOn) {
            $number += $isOn ? 1 << $switch : 0;
        }

        return $number >= 1 && $number <= 512 ? $number : null;
    }

    /** @param list<bool>|null $switches as they stand; "1, 4 and 9 on" or "all off" */
    public static function spelled(?array $switches): string
    {
        if ($switches === null) {
            return 'not on nine switches';
        }
        $on = array_map(static fn(int $switch): int => $switch + 1, array_keys(array_filter($switches)));
        $last = array_pop($on);

        return match (true) {
            $last === null => 'all off',
            $on === [] => "{$last} on",
            default => implode(', ', $on)." and {$last} on",
        };
    }
}
