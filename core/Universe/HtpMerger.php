<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Signal\Frame;

/**
 * Highest takes precedence, over machine words: eight slots are compared at
 * once. Each word is parted into its even and odd bytes, so that every byte
 * has an empty neighbour above it; a bit set there before subtracting stays
 * set exactly where the first byte is not the smaller one.
 */
final class HtpMerger implements Merger
{
    private const BYTES = 0x00FF00FF00FF00FF;
    private const FLAGS = 0x0100010001000100;
    private const ONES = 0x0001000100010001;

    public function moved(Source $source, string $before, int $now): void
    {
    }

    public function forget(Source $source): void
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
        $words = $first->words();
        foreach ($sources as $source) {
            $words = self::higher($words, $source->words());
        }

        return pack('q*', ...$words);
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
     * @param array<int, int> $left 64 words
     * @param array<int, int> $right 64 words
     *
     * @return array<int, int>
     */
    private static function higher(array $left, array $right): array
    {
        foreach ($left as $i => $a) {
            $b = $right[$i];
            if ($a === $b) {
                continue;
            }
            $aEven = $a & self::BYTES;
            $bEven = $b & self::BYTES;
            $aOdd = $a >> 8 & self::BYTES;
            $bOdd = $b >> 8 & self::BYTES;
            $keepEven = ((($aEven | self::FLAGS) - $bEven) >> 8 & self::ONES) * 0xFF;
            $keepOdd = ((($aOdd | self::FLAGS) - $bOdd) >> 8 & self::ONES) * 0xFF;
            $left[$i] = ($bEven ^ (($aEven ^ $bEven) & $keepEven)) | ($bOdd ^ (($aOdd ^ $bOdd) & $keepOdd)) << 8;
        }

        return $left;
    }
}
