<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Of a run of equal values only the first one. */
final readonly class FirstCondition implements Condition
{
    public function __construct()
    {
    }

    public static function kind(): string
    {
        return 'first';
    }

    public static function label(): string
    {
        return 'Only the first of equal ones';
    }

    public static function fields(): array
    {
        return [
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $isSame = $passing->mind()->has('arrived') && $passing->mind()->get('arrived') === $value;
        $passing->mind()->keep('arrived', $value);

        return $isSame ? new Missed('takes only the first of equal ones, and '.Template::number($value).' came before') : null;
    }

    public function words(Wording $wording): string
    {
        return 'it is the first of equal ones';
    }
}
