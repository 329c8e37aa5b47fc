<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** One of several: which of the route's triggers came, from 1; the one that has it already changes nothing. */
final readonly class RadioStep implements Step
{
    public static function kind(): string
    {
        return 'radio';
    }

    public static function label(): string
    {
        return 'One of several: which of the triggers came';
    }

    public static function fields(): array
    {
        return [];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $chosen = (float) ($passing->source + 1);
        $before = $passing->mind()->kept['chosen'] ?? null;
        // A button that is let go, a fader at nothing, chooses nothing.
        if ($value <= 0.0 || $before === $chosen) {
            return null;
        }
        $passing->mind()->keep('chosen', $chosen);

        return $chosen;
    }

    public function words(Wording $wording): string
    {
        return 'the number of the trigger that came';
    }
}
