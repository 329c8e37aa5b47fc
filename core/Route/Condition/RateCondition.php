<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Remembering;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Nothing got through within so many seconds. */
final readonly class RateCondition implements Remembering
{
    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'rate';
    }

    public static function label(): string
    {
        return 'Not more often than';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Once in seconds', 0.001, 3600.0, 0.5),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $since = $passing->since('passed');

        return $since === null || $since >= $this->seconds ? null : new Missed(
            'acts once in '.Template::number($this->seconds).' s, and has acted '.Template::number($since).' s ago',
        );
    }

    public function passed(float $value, Passing $passing): void
    {
        $passing->note('passed');
    }

    public function words(Wording $wording): string
    {
        return 'it has not acted for '.Template::number($this->seconds).' s';
    }
}
