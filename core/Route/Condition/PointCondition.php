<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Wording;

/** A point is at a value. */
final readonly class PointCondition implements Condition
{
    public function __construct(public Reference $point, public int|float|string $is)
    {
    }

    public static function kind(): string
    {
        return 'point';
    }

    public static function label(): string
    {
        return 'A point is at a value';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('is', 'It must be'),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $now = $passing->read($this->point);
        if ((string) $now === (string) $this->is) {
            return null;
        }

        return new Missed("wants {$this->point->text()} to be {$this->is}, it is ".($now ?? 'nothing'));
    }

    public function words(Wording $wording): string
    {
        return "{$wording->point($this->point->text())} is {$this->is}";
    }
}
