<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Kept between two values. */
final readonly class LimitStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $low, public float $high)
    {
    }

    public static function kind(): string
    {
        return 'limit';
    }

    public static function label(): string
    {
        return 'Kept between two values';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'Lowest', -1e9, 1e9, 0.0),
            Field::number('high', 'Highest', -1e9, 1e9, 255.0),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        return max($this->low, min($this->high, $value));
    }

    public function words(Wording $wording): string
    {
        return 'kept from '.Template::number($this->low).' to '.Template::number($this->high);
    }
}
