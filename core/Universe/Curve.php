<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** From a level that came in to one that goes out. The value is the word in the show document. */
enum Curve: string
{
    case Linear = 'linear';

    /** Slow at the bottom: the light of a lamp follows the eye. */
    case Square = 'square';

    /** Fast at the bottom, as it undoes a square curve further on. */
    case Root = 'root';

    /** Faster still at the bottom, and slow at the top. */
    case Logarithmic = 'logarithmic';

    /** Slow at both ends. */
    case Smooth = 'smooth';

    /** Off below the middle, full from there on: for what can only be on or off. */
    case Switched = 'switched';

    /** @param float $level 0 to 1 */
    public function apply(float $level): float
    {
        return match ($this) {
            self::Linear => $level,
            self::Square => $level * $level,
            self::Root => sqrt($level),
            self::Logarithmic => log10(1 + 9 * $level),
            self::Smooth => $level * $level * (3 - 2 * $level),
            self::Switched => $level < 0.5 ? 0.0 : 1.0,
        };
    }

    /**
     * The way back: from what it made to what it was made of.
     *
     * @param float $level 0 to 1
     */
    public function undo(float $level): float
    {
        return match ($this) {
            self::Linear, self::Switched => $level,
            self::Square => sqrt($level),
            self::Root => $level * $level,
            self::Logarithmic => (10 ** $level - 1) / 9,
            self::Smooth => 0.5 - sin(asin(1 - 2 * $level) / 3),
        };
    }
}
