<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Only the last value passes, when no other has come for a time. */
final readonly class DebounceStep implements Continuing, Reversible
{
    use PassesBack;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'debounce';
    }

    public static function label(): string
    {
        return 'Only when it has come to rest';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds without another', 0.001, 60.0, 0.05),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $passing->mind()->keep('last', $value);
        $passing->wakeIn($this->seconds);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $passing->rest();

        return $passing->mind()->get('last');
    }

    public function words(Wording $wording): string
    {
        return 'when no other has come for '.Template::number($this->seconds).' s';
    }
}
