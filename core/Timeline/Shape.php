<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

/** How a level goes from one point of its line to the next. */
enum Shape: string
{
    case Linear = 'linear';
    case Step = 'step';
    case Smooth = 'smooth';
    case Bent = 'bent';

    public const TITLES = [
        'linear' => 'in a straight line',
        'step' => 'stays, and jumps',
        'smooth' => 'slowly off, slowly there',
        'bent' => 'along a bend',
    ];

    /** The most that a bend bends: half of the time brings it a tenth, or nine tenths, of the way. Our own choice. */
    private const STRONGEST = 3.321928;

    /**
     * @param float $way 0 to 1
     * @param float $bend -1 to 1: below 0 it goes late, above 0 early
     *
     * @return float how far the level has come, 0 to 1
     */
    public function share(float $way, float $bend): float
    {
        return match ($this) {
            self::Linear => $way,
            self::Step => 0.0,
            self::Smooth => $way * $way * (3.0 - 2.0 * $way),
            self::Bent => $bend < 0.0 ? self::late($way, -$bend) : 1.0 - self::late(1.0 - $way, $bend),
        };
    }

    private static function late(float $way, float $bend): float
    {
        return $way ** (1.0 + $bend * (self::STRONGEST - 1.0));
    }
}
