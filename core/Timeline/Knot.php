<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** A point of a line: where a level is at a moment, and how it goes on from there. */
final readonly class Knot implements Part
{
    /**
     * @param float $at in the timeline's unit
     * @param float $value in the unit of what is moved
     * @param float $bend -1 to 1, where it goes along a bend
     */
    public function __construct(public float $at, public float $value, public Shape $to = Shape::Linear, public float $bend = 0.0)
    {
    }

    /** @return array<string, float|string> as it stands in a show */
    public function written(): array
    {
        return [
            'at' => $this->at,
            'value' => $this->value,
            ...($this->to === Shape::Linear ? [] : ['to' => $this->to->value]),
            ...($this->bend === 0.0 ? [] : ['bend' => $this->bend]),
        ];
    }

    public static function label(): string
    {
        return 'Point of a line';
    }

    public static function fields(): array
    {
        return [
            Field::number('at', 'At', 0.0, Timeline::LONGEST),
            Field::number('value', 'Value', -1e9, 1e9),
            Field::choice('to', 'To the next', Shape::class, Shape::Linear)->called(Shape::TITLES),
            Field::number('bend', 'Bend; below 0 late, above 0 early', -1.0, 1.0, 0.0)->shownFor('to', Shape::Bent->value),
        ];
    }
}
