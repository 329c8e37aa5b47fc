<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Passing;

/** A value that follows the one that came last, and takes its time for it. */
abstract readonly class GlidingStep implements Continuing
{
    /** @return float where it is so many seconds later; the goal itself when it is there */
    abstract protected function moved(float $at, float $goal, float $seconds): float;

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        if (! $mind->has('at')) {
            $mind->kept = ['at' => $value, 'goal' => $value];

            return $value;
        }
        $this->move($passing);
        $mind->keep('goal', $value);
        $passing->wakeWithin(RampStep::STEP_SECONDS);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $this->move($passing);
        $mind = $passing->mind();
        $isThere = $mind->get('at') === $mind->get('goal');
        $isThere ? $passing->rest() : $passing->wakeIn(RampStep::STEP_SECONDS);

        return $mind->get('at');
    }

    private function move(Passing $passing): void
    {
        $mind = $passing->mind();
        $mind->keep('at', $this->moved($mind->get('at'), $mind->get('goal'), $passing->since('moved') ?? 0.0));
        $passing->note('moved');
    }
}
