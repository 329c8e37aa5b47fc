<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** To the nearest multiple. */
final readonly class SnapStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $size)
    {
    }

    public static function kind(): string
    {
        return 'snap';
    }

    public static function label(): string
    {
        return 'To the nearest multiple';
    }

    public static function fields(): array
    {
        return [
            Field::number('size', 'Of', 1e-6, 1e9, 1.0),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        return round($value / $this->size) * $this->size;
    }

    public function words(Wording $wording): string
    {
        return 'to the nearest '.Template::number($this->size);
    }
}
