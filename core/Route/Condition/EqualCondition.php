<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** The value is exactly. */
final readonly class EqualCondition implements Condition
{
    public function __construct(public float $to)
    {
    }

    public static function kind(): string
    {
        return 'equal';
    }

    public static function label(): string
    {
        return 'The value is exactly';
    }

    public static function fields(): array
    {
        return [
            Field::number('to', 'Value', -1e9, 1e9),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        return $value === $this->to ? null : new Missed(
            'wants the value '.Template::number($this->to).', it is '.Template::number($value),
            ['to' => $value],
        );
    }

    public function words(Wording $wording): string
    {
        return 'the value is '.Template::number($this->to);
    }
}
