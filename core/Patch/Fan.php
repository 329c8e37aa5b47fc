<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Values spread over several fixtures, from one to the other: from the first to the last, or from the middle outwards. */
enum Fan: string
{
    case Across = 'across';
    case FromMiddle = 'from-middle';

    /** @return list<float> one for each of so many */
    public function values(int $count, float $from, float $to): array
    {
        $values = [];
        for ($i = 0; $i < $count; ++$i) {
            $place = $count < 2 ? 0.0 : $i / ($count - 1);
            $share = $this === self::Across ? $place : abs(2 * $place - 1);
            $values[] = $from + $share * ($to - $from);
        }

        return $values;
    }
}
