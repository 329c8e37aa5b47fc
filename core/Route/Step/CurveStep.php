<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Universe\Curve;

/** A curve, from 0 to 1. */
final readonly class CurveStep implements Reversible
{
    private const HALVES = 40;

    public function __construct(public string $curve)
    {
    }

    public static function kind(): string
    {
        return 'curve';
    }

    public static function label(): string
    {
        return 'A curve, from 0 to 1';
    }

    public static function fields(): array
    {
        return [
            Field::word('curve', 'Curve', array_column(Curve::cases(), 'value'), 'square'),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        return Curve::from($this->curve)->apply(max(0.0, min(1.0, $value)));
    }

    public function reversed(float $value): float
    {
        $curve = Curve::from($this->curve);
        [$low, $high] = [0.0, 1.0];
        // All curves rise: what leads there is found by halves.
        for ($i = 0; $i < self::HALVES; ++$i) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $curve->apply($middle) < $value ? [$middle, $high] : [$low, $middle];
        }

        return ($low + $high) / 2;
    }

    public function words(Wording $wording): string
    {
        return "a {$this->curve} curve";
    }
}
