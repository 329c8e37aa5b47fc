<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** It nears the new value, the slower the nearer: after the time given it has gone 63 % of the way. */
final readonly class SmoothStep extends GlidingStep implements Reversible
{
    use PassesBack;

    /** So near to the goal, of its size, it is there. */
    private const NEAR = 0.0005;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'smooth';
    }

    public static function label(): string
    {
        return 'Smoothed over time';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Time constant, seconds', 0.001, 60.0, 0.3),
        ];
    }

    public function words(Wording $wording): string
    {
        return 'smoothed over '.Template::number($this->seconds).' s';
    }

    protected function moved(float $at, float $goal, float $seconds): float
    {
        $now = $at + (1 - exp(-$seconds / $this->seconds)) * ($goal - $at);

        return abs($goal - $now) <= self::NEAR * max(1.0, abs($goal)) ? $goal : $now;
    }
}
