<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Each press counts on; letting go does nothing. */
final readonly class CounterStep implements Step, Checked
{
    public function __construct(public float $low, public float $high, public float $by, public bool $wraps)
    {
    }

    public static function kind(): string
    {
        return 'counter';
    }

    public static function label(): string
    {
        return 'Each press counts on';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'From', -1e9, 1e9, 1.0),
            Field::number('high', 'To', -1e9, 1e9, 8.0),
            Field::number('by', 'By', -1e6, 1e6, 1.0),
            Field::flag('wraps', 'And round again', true),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->high < $this->low) {
            $fields->fault(
                'high',
                'it is '.Template::number($this->high),
                'It ends at or above '.Template::number($this->low).', where it begins.',
            );
        }
        if ($this->by === 0.0) {
            $fields->fault('by', 'it is 0', 'Count by 1, or by -1 to count down.');
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        if ($value <= 0.0) {
            return null;
        }
        [$first, $last] = $this->by > 0 ? [$this->low, $this->high] : [$this->high, $this->low];
        $next = $passing->mind()->has('at') ? $passing->mind()->get('at') + $this->by : $first;
        if ($next < $this->low || $next > $this->high) {
            $next = $this->wraps ? $first : $last;
        }
        $passing->mind()->keep('at', $next);

        return $next;
    }

    public function words(Wording $wording): string
    {
        return 'each press counts from '.Template::number($this->low).' to '.Template::number($this->high)
            .($this->wraps ? ' and round again' : '');
    }
}
