<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** It goes on some time later, each value for itself. */
final readonly class DelayStep implements Reversible
{
    use PassesBack;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'delay';
    }

    public static function label(): string
    {
        return 'Later';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds later', 0.0, 3600.0, 1.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        if ($this->seconds <= 0.0) {
            return $value;
        }
        $passing->release($value, $this->seconds);

        return null;
    }

    public function words(Wording $wording): string
    {
        return Template::number($this->seconds).' s later';
    }
}
