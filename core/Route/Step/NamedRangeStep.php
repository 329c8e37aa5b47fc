<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** To a named range of a parameter: the one that the value lies in or nearest to, or the one of that number. */
final readonly class NamedRangeStep implements Step, Checked
{
    public function __construct(public Reference $point, public string $by = 'value')
    {
    }

    public static function kind(): string
    {
        return 'named-range';
    }

    public static function label(): string
    {
        return 'To a named range of a parameter';
    }

    public static function fields(): array
    {
        return [
            Field::point('point', 'Parameter'),
            Field::word('by', 'By', ['value', 'number'], 'value')
                ->meaning(
                    '"value": the range that it lies in, or the nearest. "number": 1 is the first range. What comes out is the middle of the range, in the parameter\'s unit.',
                ),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->point->kind !== 'fixture') {
            $fields->fault('point', "it is {$this->point->text()}", 'Name a parameter of a fixture, like fixture:wash/gobo.');
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $ranges = $passing->describe($this->point)->ranges ?? [];
        if ($this->by === 'number') {
            $range = $ranges[(int) round($value) - 1] ?? null;

            return $range === null ? null : ($range[0] + $range[1]) / 2;
        }
        $nearest = null;
        $least = \INF;
        foreach ($ranges as [$low, $high]) {
            $away = max(0.0, $low - $value, $value - $high);
            if ($away < $least) {
                $least = $away;
                $nearest = ($low + $high) / 2;
            }
        }

        return $nearest;
    }

    public function words(Wording $wording): string
    {
        $by = $this->by === 'number' ? 'the named range of that number of' : 'the nearest named range of';

        return "to {$by} {$wording->point($this->point->text())}";
    }
}
