<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** It moves no faster than so much a second. */
final readonly class SlewStep implements Continuing
{
    public function __construct(public float $perSecond)
    {
    }

    public static function kind(): string
    {
        return 'slew';
    }

    public static function label(): string
    {
        return 'No faster than so much a second';
    }

    public static function fields(): array
    {
        return [
            Field::number('perSecond', 'At most a second', 1e-6, 1e9, 100.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        if (! $mind->has('at')) {
            $mind->kept = ['at' => $value, 'goal' => $value];

            return $value;
        }
        $this->move($passing);
        $mind->keep('goal', $value);
        $passing->note('moved');
        $passing->wakeIn(RampStep::STEP_SECONDS);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $this->move($passing);
        $passing->note('moved');
        $isThere = $passing->mind()->get('at') === $passing->mind()->get('goal');
        $isThere ? $passing->rest() : $passing->wakeIn(RampStep::STEP_SECONDS);

        return $passing->mind()->get('at');
    }

    private function move(Passing $passing): void
    {
        $mind = $passing->mind();
        $most = $this->perSecond * ($passing->since('moved') ?? 0.0);
        $way = $mind->get('goal') - $mind->get('at');
        $mind->keep('at', abs($way) <= $most ? $mind->get('goal') : $mind->get('at') + ($way > 0 ? $most : -$most));
    }

    public function words(Wording $wording): string
    {
        return 'no faster than '.Template::number($this->perSecond).' a second';
    }
}
