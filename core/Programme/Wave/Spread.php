<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Wave;

/** In which order a wave runs over several: what part of its offset each of them has. */
enum Spread: string
{
    case Order = 'order';
    case Middle = 'middle';
    case Mirrored = 'mirrored';
    case Random = 'random';

    public const TITLES = [
        'order' => 'in their order',
        'middle' => 'from the middle to both ends',
        'mirrored' => 'from both ends to the middle',
        'random' => 'at random',
    ];

    /** @return float 0 to below 1: of so many, the one at this place, from 0 */
    public function share(int $place, int $count, int $seed): float
    {
        if ($count < 2) {
            return 0.0;
        }
        $fromMiddle = abs(2 * $place - ($count - 1)) / $count;

        return match ($this) {
            self::Order => $place / $count,
            self::Middle => $fromMiddle,
            self::Mirrored => 1 - 1 / $count - $fromMiddle,
            self::Random => self::shuffled($count, $seed)[$place] / $count,
        };
    }

    /** @return list<int> places in an order that the seed decides */
    private static function shuffled(int $count, int $seed): array
    {
        $keys = [];
        for ($i = 0; $i < $count; ++$i) {
            $keys[$i] = crc32("{$seed} {$i}");
        }
        asort($keys);
        $places = [];
        foreach (array_keys($keys) as $rank => $i) {
            $places[$i] = $rank;
        }
        ksort($places);

        return array_values($places);
    }
}
