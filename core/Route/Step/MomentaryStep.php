<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** One value while it is pressed, and another one when it is let go. */
final readonly class MomentaryStep implements Step
{
    public function __construct(public float $on, public float $off)
    {
    }

    public static function kind(): string
    {
        return 'momentary';
    }

    public static function label(): string
    {
        return 'As long as it is pressed';
    }

    public static function fields(): array
    {
        return [
            Field::number('on', 'Pressed is', -1e9, 1e9, 1.0),
            Field::number('off', 'Let go is', -1e9, 1e9, 0.0),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        return $value > 0.0 ? $this->on : $this->off;
    }

    public function words(Wording $wording): string
    {
        return Template::number($this->on).' while it is pressed, or else '.Template::number($this->off);
    }
}
