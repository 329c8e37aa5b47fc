<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** The value is one of. */
final readonly class OneOfCondition implements Condition
{
    public function __construct(/** @var list<float> */ public array $values)
    {
    }

    public static function kind(): string
    {
        return 'one-of';
    }

    public static function label(): string
    {
        return 'The value is one of';
    }

    public static function fields(): array
    {
        return [
            Field::list('values', 'Values'),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        if (\in_array($value, $this->values, true)) {
            return null;
        }

        return new Missed(
            'wants one of '.implode(', ', array_map(Template::number(...), $this->values)).', it is '.Template::number($value),
            ['values' => [...$this->values, $value]],
        );
    }

    public function words(Wording $wording): string
    {
        return 'the value is one of '.implode(', ', array_map(Template::number(...), $this->values));
    }
}
