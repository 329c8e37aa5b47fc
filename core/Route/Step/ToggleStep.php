<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Each press turns it over; letting go does nothing. */
final readonly class ToggleStep implements Step
{
    public function __construct(public float $on, public float $off)
    {
    }

    public static function kind(): string
    {
        return 'toggle';
    }

    public static function label(): string
    {
        return 'Each press turns it over';
    }

    public static function fields(): array
    {
        return [
            Field::number('on', 'On is', -1e9, 1e9, 1.0),
            Field::number('off', 'Off is', -1e9, 1e9, 0.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        if ($value <= 0.0) {
            return null;
        }
        $isOn = $passing->mind()->get('on') <= 0.0;
        $passing->mind()->keep('on', $isOn ? 1.0 : 0.0);

        return $isOn ? $this->on : $this->off;
    }

    public function words(Wording $wording): string
    {
        return 'each press turns it over, '.Template::number($this->on).' or '.Template::number($this->off);
    }
}
