<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** A place of a timeline with a name; a section goes as far as the next one. */
final readonly class Marker implements Part
{
    public function __construct(public string $id, public float $at, public string $name, public bool $isSection = false)
    {
    }

    public static function label(): string
    {
        return 'Marker';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::number('at', 'At', 0.0, Timeline::LONGEST, 0.0),
            Field::name('Name', 60),
            Field::flag('isSection', 'A section begins here', false),
        ];
    }
}
