<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition\ArrivedCondition;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** Another number of what arrived takes the value's place: a cue, an argument, what a pattern took. */
final readonly class ArrivedStep implements Step
{
    public function __construct(public string $name)
    {
    }

    public static function kind(): string
    {
        return 'arrived';
    }

    public static function label(): string
    {
        return 'Another number of what arrived';
    }

    public static function fields(): array
    {
        return [
            Field::pattern(
                'name',
                'Which part of it, like velocity, cue or argument-2',
                ArrivedCondition::NAME,
                ArrivedCondition::RULE,
            ),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $is = $passing->event->fields()[$this->name] ?? null;

        return is_numeric($is) ? (float) $is : null;
    }

    public function words(Wording $wording): string
    {
        return "its {$this->name}";
    }
}
