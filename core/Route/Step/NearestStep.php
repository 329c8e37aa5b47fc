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

/** To the nearest of some values. */
final readonly class NearestStep implements Step, Checked
{
    /** @param list<float> $values */
    public function __construct(public array $values)
    {
    }

    public static function kind(): string
    {
        return 'nearest';
    }

    public static function label(): string
    {
        return 'To the nearest of some values';
    }

    public static function fields(): array
    {
        return [
            Field::list('values', 'Values'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->values === []) {
            $fields->fault('values', 'there are none', 'Give at least one value.');
        }
    }

    public function apply(float $value, Passing $passing): float
    {
        $nearest = $this->values[0] ?? $value;
        foreach ($this->values as $one) {
            $nearest = abs($one - $value) < abs($nearest - $value) ? $one : $nearest;
        }

        return $nearest;
    }

    public function words(Wording $wording): string
    {
        return 'to the nearest of '.implode(', ', array_map(Template::number(...), \array_slice($this->values, 0, 8)));
    }
}
