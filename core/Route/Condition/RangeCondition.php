<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** The value lies between. */
final readonly class RangeCondition implements Condition
{
    public function __construct(public float $low, public float $high)
    {
    }

    public static function kind(): string
    {
        return 'range';
    }

    public static function label(): string
    {
        return 'The value lies between';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'From', -1e9, 1e9),
            Field::number('high', 'To', -1e9, 1e9),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        if ($value >= $this->low && $value <= $this->high) {
            return null;
        }

        return new Missed(
            'wants a value from '.Template::number($this->low).' to '.Template::number($this->high).', it is '.Template::number($value),
            $value < $this->low ? ['low' => $value] : ['high' => $value],
        );
    }

    public function words(Wording $wording): string
    {
        return 'the value lies from '.Template::number($this->low).' to '.Template::number($this->high);
    }
}
