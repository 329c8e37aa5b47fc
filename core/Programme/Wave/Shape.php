<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Wave;

/** The shapes of a wave: from −1 to 1 over one turn. */
enum Shape: string
{
    case Sine = 'sine';
    case Triangle = 'triangle';
    case RampUp = 'ramp-up';
    case RampDown = 'ramp-down';
    case Square = 'square';
    case Steps = 'steps';
    case Smooth = 'smooth';
    case Drawn = 'drawn';

    public const TITLES = [
        'sine' => 'sine',
        'triangle' => 'triangle',
        'ramp-up' => 'ramp up',
        'ramp-down' => 'ramp down',
        'square' => 'square',
        'steps' => 'random steps',
        'smooth' => 'smooth random',
        'drawn' => 'drawn points',
    ];

    /**
     * @param float $turns how many turns it has made, with their parts
     * @param float $width of a square: what part of a turn it is up, 0 to 1
     * @param int $seed of what is random: the same one gives the same wave
     * @param list<float> $points drawn ones, 0 to 100, over one turn
     *
     * @return float −1 to 1
     */
    public function at(float $turns, float $width = 0.5, int $seed = 1, array $points = []): float
    {
        $turn = floor($turns);
        $part = $turns - $turn;

        return match ($this) {
            self::Sine => sin(2 * M_PI * $part),
            self::Triangle => $part < 0.25 ? 4 * $part : ($part < 0.75 ? 2 - 4 * $part : 4 * $part - 4),
            self::RampUp => 2 * $part - 1,
            self::RampDown => 1 - 2 * $part,
            self::Square => $part < $width ? 1.0 : -1.0,
            self::Steps => self::random((int) $turn, $seed),
            self::Smooth => self::between(self::random((int) $turn, $seed), self::random((int) $turn + 1, $seed), $part),
            self::Drawn => self::drawn($points, $part),
        };
    }

    /** Slow at both ends: it has no corners. */
    private static function between(float $from, float $to, float $part): float
    {
        return $from + ($to - $from) * (1 - cos(M_PI * $part)) / 2;
    }

    /** @return float −1 to 1, the same for the same turn and seed: bits stirred by multiplying, as hashes do */
    private static function random(int $turn, int $seed): float
    {
        $bits = ($turn % 0x7FFFFFFF * 0x9E3779B1 + $seed * 0x85EBCA77) & 0xFFFFFFFF;
        $bits = (($bits ^ ($bits >> 16)) * 0x45D9F3B) & 0xFFFFFFFF;
        $bits = (($bits ^ ($bits >> 16)) * 0x45D9F3B) & 0xFFFFFFFF;
        $bits ^= $bits >> 16;

        return 2 * $bits / 0xFFFFFFFF - 1;
    }

    /** @param list<float> $points 0 to 100; straight lines between, and from the last one back to the first */
    private static function drawn(array $points, float $part): float
    {
        $count = \count($points);
        if ($count === 0) {
            return 0.0;
        }
        $at = $part * $count;
        $i = (int) $at;
        $from = $points[$i % $count];
        $to = $points[($i + 1) % $count];

        return ($from + ($to - $from) * ($at - $i)) / 50 - 1;
    }
}
