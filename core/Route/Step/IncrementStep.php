<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Steps up and down move a value of its own between two ends. */
final readonly class IncrementStep implements Step, Checked
{
    public function __construct(
        public float $low,
        public float $high,
        public float $size,
        public bool $wraps,
        public ?Reference $point = null,
    ) {
    }

    public static function kind(): string
    {
        return 'increment';
    }

    public static function label(): string
    {
        return 'Steps move a value';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'Lowest', -1e9, 1e9, 0.0),
            Field::number('high', 'Highest', -1e9, 1e9, 255.0),
            Field::number('size', 'A step is', -1e9, 1e9, 1.0),
            Field::flag('wraps', 'And round again', false),
            Field::pointOrNone('point', 'Begins from where this is'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->high <= $this->low) {
            $fields->fault(
                'high',
                'it is '.Template::number($this->high),
                'It is above '.Template::number($this->low).', the lowest.',
            );
        }
    }

    public function apply(float $value, Passing $passing): float
    {
        $begin = $this->point === null ? null : $passing->read($this->point);
        $at = is_numeric($begin) ? (float) $begin : $passing->mind()->get('at', $this->low);
        $next = $at + $value * $this->size;
        if ($this->wraps && ($next < $this->low || $next > $this->high)) {
            $length = $this->high - $this->low;
            $next = $this->low + fmod(fmod($next - $this->low, $length) + $length, $length);
        }
        $next = max($this->low, min($this->high, $next));
        $passing->mind()->keep('at', $next);

        return $next;
    }

    public function words(Wording $wording): string
    {
        $words = 'steps of '.Template::number($this->size);
        $words .= ' between '.Template::number($this->low).' and '.Template::number($this->high);
        $words .= $this->wraps ? ' and round again' : '';

        return $words.($this->point === null ? '' : ", from where {$wording->point($this->point->text())} is");
    }
}
