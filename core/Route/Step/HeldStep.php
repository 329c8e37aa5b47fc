<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** A long press: it passes when it has been above 0 for a time without going back. */
final readonly class HeldStep implements Continuing
{
    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'held';
    }

    public static function label(): string
    {
        return 'Only when it is held for a time';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds held', 0.05, 60.0, 1.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        if ($value <= 0.0) {
            $passing->rest();
            $passing->mind()->forget('pressed');

            return null;
        }
        if ($passing->since('pressed') === null) {
            $passing->note('pressed');
            $passing->wakeIn($this->seconds);
        }
        $passing->mind()->keep('value', $value);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $passing->rest();

        return $passing->mind()->get('value');
    }

    public function words(Wording $wording): string
    {
        return 'held for '.Template::number($this->seconds).' s';
    }
}
