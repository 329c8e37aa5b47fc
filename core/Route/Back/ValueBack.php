<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Back;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Signal\Message;

/** The value, back through the steps: a motor fader, a dial on a page. */
readonly class ValueBack extends Backwards
{
    public function __construct(?Reference $of = null, float $gap = 0.025, ?float $every = null, public float $band = 0.0)
    {
        parent::__construct($of, $gap, $every);
    }

    public static function kind(): string
    {
        return 'value';
    }

    public static function label(): string
    {
        return 'Its value, back through the steps';
    }

    public static function fields(): array
    {
        return [
            ...self::usual(),
            Field::number('band', 'Smaller differences are not told, in the control\'s own terms', 0.0, 1e6, 0.0)->rare(),
        ];
    }

    public function words(): string
    {
        return 'its control follows';
    }

    public function problem(Route $route): string
    {
        foreach ($route->steps as $i => $step) {
            if (! $step instanceof Reversible) {
                return 'step '.($i + 1).', "'.$step::label().'", cannot be gone back';
            }
        }

        return parent::problem($route);
    }

    public function message(Route $route, float $value, Readings $readings): ?Message
    {
        foreach (array_reverse($route->steps) as $step) {
            $value = $step instanceof Reversible ? $step->reversed($value) : $value;
        }
        $trigger = $route->triggers[0] ?? null;

        return $trigger instanceof Showing && is_finite($value) ? $trigger->shows($value) : null;
    }

    public function deadBand(): float
    {
        return $this->band;
    }

    public function isWhatItSends(): bool
    {
        return true;
    }
}
