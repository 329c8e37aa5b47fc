<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Wording;

/** Every second time, every third time. */
final readonly class NthCondition implements Condition
{
    public function __construct(public int $every)
    {
    }

    public static function kind(): string
    {
        return 'nth';
    }

    public static function label(): string
    {
        return 'Only every so many times';
    }

    public static function fields(): array
    {
        return [
            Field::whole('every', 'Every so many times', 2, 10000, 2),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $count = (int) $passing->mind()->get('count') + 1;
        $passing->mind()->keep('count', (float) ($count % $this->every));

        return $count % $this->every === 0 ? null : new Missed("acts every {$this->every} times, this is {$count}");
    }

    public function words(Wording $wording): string
    {
        return "it is every {$this->every}. time";
    }
}
