<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Nothing passes near a value. */
final readonly class DeadBandStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $centre, public float $width)
    {
    }

    public static function kind(): string
    {
        return 'dead-band';
    }

    public static function label(): string
    {
        return 'Nothing passes near a value';
    }

    public static function fields(): array
    {
        return [
            Field::number('centre', 'Centre', -1e9, 1e9, 0.0),
            Field::number('width', 'Width to each side', 0.0, 1e9, 0.1),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        return abs($value - $this->centre) <= $this->width ? null : $value;
    }

    public function words(Wording $wording): string
    {
        return 'nothing within '.Template::number($this->width).' of '.Template::number($this->centre);
    }
}
