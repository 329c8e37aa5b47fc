<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Steps that come fast count for more: twice as fast, twice as much, up to a limit. */
final readonly class AccelerateStep implements Step
{
    public function __construct(public float $seconds, public float $most)
    {
    }

    public static function kind(): string
    {
        return 'accelerate';
    }

    public static function label(): string
    {
        return 'Fast turns count for more';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Slower than this they count once (s)', 0.005, 2.0, 0.1),
            Field::number('most', 'At most times', 1.0, 100.0, 8.0),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        $since = $passing->since('last');
        $passing->note('last');
        $times = $since === null ? 1.0 : max(1.0, min($this->most, $this->seconds / max(1e-6, $since)));

        return $value * $times;
    }

    public function words(Wording $wording): string
    {
        return 'fast turns count up to '.Template::number($this->most).' times';
    }
}
