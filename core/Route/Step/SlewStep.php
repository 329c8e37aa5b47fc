<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** It moves no faster than so much a second. */
final readonly class SlewStep extends GlidingStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $perSecond)
    {
    }

    public static function kind(): string
    {
        return 'slew';
    }

    public static function label(): string
    {
        return 'No faster than so much a second';
    }

    public static function fields(): array
    {
        return [
            Field::number('perSecond', 'At most a second', 1e-6, 1e9, 100.0),
        ];
    }

    public function words(Wording $wording): string
    {
        return 'no faster than '.Template::number($this->perSecond).' a second';
    }

    protected function moved(float $at, float $goal, float $seconds): float
    {
        $most = $this->perSecond * $seconds;

        return abs($goal - $at) <= $most ? $goal : $at + ($goal > $at ? $most : -$most);
    }
}
