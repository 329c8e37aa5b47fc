<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** It nears the new value, the slower the nearer: after the time given it has gone 63 % of the way. */
final readonly class SmoothStep implements Continuing
{
    /** So near to the goal, of its size, it is there. */
    private const NEAR = 0.0005;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'smooth';
    }

    public static function label(): string
    {
        return 'Smoothed over time';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Time constant, seconds', 0.001, 60.0, 0.3),
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
        $mind = $passing->mind();
        $passing->note('moved');
        $left = abs($mind->get('goal') - $mind->get('at'));
        if ($left <= self::NEAR * max(1.0, abs($mind->get('goal')))) {
            $mind->keep('at', $mind->get('goal'));
            $passing->rest();
        } else {
            $passing->wakeIn(RampStep::STEP_SECONDS);
        }

        return $mind->get('at');
    }

    private function move(Passing $passing): void
    {
        $mind = $passing->mind();
        $gone = 1 - exp(-($passing->since('moved') ?? 0.0) / $this->seconds);
        $mind->keep('at', $mind->get('at') + $gone * ($mind->get('goal') - $mind->get('at')));
    }

    public function words(Wording $wording): string
    {
        return 'smoothed over '.Template::number($this->seconds).' s';
    }
}
