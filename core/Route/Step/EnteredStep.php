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

/** It tells when the value comes into a range, and when it leaves it. */
final readonly class EnteredStep implements Step, Checked
{
    public function __construct(public float $low, public float $high)
    {
    }

    public static function kind(): string
    {
        return 'entered';
    }

    public static function label(): string
    {
        return 'Into a range, and out of it';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'From', -1e9, 1e9, 64.0),
            Field::number('high', 'To', -1e9, 1e9, 127.0),
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
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        $wasIn = $mind->get('in') > 0.0;
        $isIn = $value >= $this->low && $value <= $this->high;
        $mind->keep('in', $isIn ? 1.0 : 0.0);

        return $isIn === $wasIn ? null : ($isIn ? 1.0 : 0.0);
    }

    public function words(Wording $wording): string
    {
        return '1 as it comes between '.Template::number($this->low).' and '.Template::number($this->high).', 0 as it leaves';
    }
}
