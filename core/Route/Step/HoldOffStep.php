<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** After one value has passed, nothing else passes for a time. */
final readonly class HoldOffStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'hold-off';
    }

    public static function label(): string
    {
        return 'Nothing else for a time';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds', 0.001, 3600.0, 0.5),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $since = $passing->since('passed');
        if ($since !== null && $since < $this->seconds) {
            return null;
        }
        $passing->note('passed');

        return $value;
    }

    public function words(Wording $wording): string
    {
        return 'then nothing else for '.Template::number($this->seconds).' s';
    }
}
