<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** The value is at least. */
final readonly class LeastCondition implements Condition
{
    public function __construct(public float $value)
    {
    }

    public static function kind(): string
    {
        return 'least';
    }

    public static function label(): string
    {
        return 'The value is at least';
    }

    public static function fields(): array
    {
        return [
            Field::number('value', 'At least', -1e9, 1e9),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        return $value >= $this->value ? null : new Missed(
            'wants at least '.Template::number($this->value).', it is '.Template::number($value),
            ['value' => $value],
        );
    }

    public function words(Wording $wording): string
    {
        return 'the value is at least '.Template::number($this->value);
    }
}
