<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * Highest takes precedence, over whole strings: PHP's bitwise operators and
 * strtr() work on 512 slots at once, without a loop of ours. Of two levels
 * that differ, the greater one has the topmost of the bits that differ.
 */
final class HtpMerger implements Merger
{
    private static string $everyByte = '';

    /** Every byte with its topmost bit alone. */
    private static string $topmostBit = '';

    /** 0 stays 0, everything else becomes 255. */
    private static string $filled = '';

    public function __construct()
    {
        if (self::$everyByte === '') {
            self::$everyByte = implode('', array_map(\chr(...), range(0, 255)));
            self::$topmostBit = "\0".implode('', array_map(static fn(int $byte): string => \chr(1 << (int) log($byte, 2)), range(1, 255)));
            self::$filled = "\0".str_repeat("\xFF", 255);
        }
    }

    public function moved(Source $source, string $before, int $now): void
    {
    }

    public function forget(Source $source): void
    {
    }

    public function order(): array
    {
        return [];
    }

    public function reorder(array $order, int $now): void
    {
    }

    public function merge(array $sources): string
    {
        if ($sources === []) {
            return str_repeat("\0", Frame::SLOTS);
        }
        $first = array_shift($sources);
        if ($sources === []) {
            return $first->levels;
        }
        $highest = $first->levels;
        foreach ($sources as $source) {
            $highest = self::higher($highest, $source->levels);
        }

        return $highest;
    }

    public function mergeSlots(string $merged, array $sources, array $slots): string
    {
        foreach ($slots as $slot) {
            $merged[$slot] = "\0";
        }
        foreach ($sources as $source) {
            $levels = $source->levels;
            foreach ($slots as $slot) {
                if (\ord($levels[$slot]) > \ord($merged[$slot])) {
                    $merged[$slot] = $levels[$slot];
                }
            }
        }

        return $merged;
    }

    public function winners(array $sources): string
    {
        $winners = str_repeat("\0", Frame::SLOTS);
        $highest = str_repeat("\0", Frame::SLOTS);
        foreach ($sources as $place => $source) {
            $levels = $source->levels;
            $mark = \chr($place + 1);
            for ($slot = strspn($levels, "\0"); $slot < Frame::SLOTS; ++$slot) {
                if ($levels[$slot] > $highest[$slot]) {
                    $highest[$slot] = $levels[$slot];
                    $winners[$slot] = $mark;
                }
            }
        }

        return $winners;
    }

    public function reason(array $sources, Source $winner, int $slot, int $now): string
    {
        $others = array_filter($sources, static fn(Source $source): bool => $source !== $winner && ! $source->isSparse());
        if ($others === []) {
            return 'the only source';
        }
        $rivals = array_map(static fn(Source $source): int => \ord($source->levels[$slot]), $others);
        $next = max($rivals);

        return $next === \ord($winner->levels[$slot])
            ? 'highest, level with another source that came later (HTP)'
            : 'highest of '.(\count($others) + 1)." (HTP), the next one sends {$next}";
    }

    /**
     * @param string $a 512 bytes
     * @param string $b 512 bytes
     */
    private static function higher(string $a, string $b): string
    {
        $difference = $a ^ $b;
        $aIsHigher = strtr($a & strtr($difference, self::$everyByte, self::$topmostBit), self::$everyByte, self::$filled);

        return $b ^ ($difference & $aIsHigher);
    }
}
