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

/** It goes to the new value in a straight line, from wherever it is. */
final readonly class RampStep implements Continuing, Reversible
{
    use PassesBack;

    public const STEP_SECONDS = 0.025;

    public function __construct(public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'ramp';
    }

    public static function label(): string
    {
        return 'In a straight line, over a time';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'Seconds', 0.0, 3600.0, 2.0),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        $from = $mind->has('end') ? $this->at($passing) : null;
        if ($from === null || $this->seconds <= 0.0) {
            $mind->kept = ['begin' => $value, 'end' => $value];
            $passing->rest();

            return $value;
        }
        $mind->kept = ['begin' => $from, 'end' => $value];
        $passing->note('began');
        $passing->wakeWithin(self::STEP_SECONDS);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $isOver = ($passing->since('began') ?? $this->seconds) >= $this->seconds;
        $isOver ? $passing->rest() : $passing->wakeIn(self::STEP_SECONDS);

        return $this->at($passing);
    }

    private function at(Passing $passing): float
    {
        $mind = $passing->mind();
        $way = $this->seconds <= 0.0 ? 1.0 : max(0.0, min(1.0, ($passing->since('began') ?? $this->seconds) / $this->seconds));

        return $way >= 1.0 ? $mind->get('end') : $mind->get('begin') + $way * ($mind->get('end') - $mind->get('begin'));
    }

    public function words(Wording $wording): string
    {
        return 'in a straight line over '.Template::number($this->seconds).' s';
    }
}
