<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

use NimbleJunction\Core\Timeline\TimecodeEntry;
use NimbleJunction\Core\Wire\FrameRate;
use NimbleJunction\Core\Wire\OutOfRange;
use NimbleJunction\Core\Wire\TimeCode;

/** Times of a time code, as others write them. */
final class Clocked
{
    private const DAY = 86_400.0;
    private const CLOCK = '#^(?:(\d{1,2}):)?(\d{1,2}):(\d{1,2}(?:\.\d+)?)$#D';

    /**
     * @param int|float|string $said seconds, or a text: 01:00:00:00, 1:00:00.5, 90.5
     *
     * @return float|null seconds since midnight; null for what is no time of a day. A frame that the rate has not is the next
     *                    one that it has
     */
    public static function seconds(int|float|string $said, FrameRate $rate): ?float
    {
        if (is_numeric($said)) {
            return (float) $said >= 0.0 && (float) $said < self::DAY ? (float) $said : null;
        }
        if (preg_match(TimecodeEntry::PATTERN, (string) $said) === 1) {
            return self::ofFrames((string) $said, $rate);
        }
        if (preg_match(self::CLOCK, (string) $said, $found) !== 1) {
            return null;
        }
        $seconds = (int) $found[1] * 3600 + (int) $found[2] * 60 + (float) $found[3];

        return $seconds < self::DAY ? $seconds : null;
    }

    private static function ofFrames(string $text, FrameRate $rate): float
    {
        [$hours, $minutes, $seconds, $frames] = array_map(intval(...), preg_split('/[:;]/', $text) ?: []) + [0, 0, 0, 0];
        try {
            return TimeCode::of($rate, $hours, $minutes, $seconds, min($frames, $rate->counted() - 1))->toNanos() / 1e9;
        } catch (OutOfRange) {
            return TimeCode::of($rate, $hours, $minutes, $seconds, 2)->toNanos() / 1e9;
        }
    }
}
