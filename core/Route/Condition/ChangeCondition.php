<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Remembering;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** The value is another one than that which got through last. */
final readonly class ChangeCondition implements Remembering
{
    public function __construct()
    {
    }

    public static function kind(): string
    {
        return 'change';
    }

    public static function label(): string
    {
        return 'It has changed';
    }

    public static function fields(): array
    {
        return [
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $isSame = $passing->mind()->has('last') && $passing->mind()->get('last') === $value;

        return $isSame ? new Missed('wants another value than '.Template::number($value).', which got through last') : null;
    }

    public function passed(float $value, Passing $passing): void
    {
        $passing->mind()->keep('last', $value);
    }

    public function words(Wording $wording): string
    {
        return 'the value has changed';
    }
}
