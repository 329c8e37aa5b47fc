<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** A double press: the second of two within so many seconds. */
final readonly class AgainCondition implements Condition
{
    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'again';
    }

    public static function label(): string
    {
        return 'The second of two';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Within seconds', 0.05, 10.0, 0.4),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        if ($value <= 0.0) {
            return new Missed('wants a second press, this is letting go');
        }
        $since = $passing->since('pressed');
        if ($since !== null && $since <= $this->seconds) {
            $passing->mind()->forget('pressed');

            return null;
        }
        $passing->note('pressed');

        return new Missed('wants a second press within '.Template::number($this->seconds).' s, this is the first');
    }

    public function words(Wording $wording): string
    {
        return 'it is the second press within '.Template::number($this->seconds).' s';
    }
}
