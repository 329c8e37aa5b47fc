<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;

/** A value for a point: what a look or a cue is made of. */
final readonly class PointValue implements Part
{
    /** Where a document names none: it is refused then. */
    private const NOWHERE = 'value:none';

    public Reference $point;

    /** In the point's own unit. */
    public int|float|string $value;

    public function __construct(?Reference $point, int|float|string|null $value)
    {
        $this->point = $point ?? Reference::parse(self::NOWHERE) ?? throw new \LogicException(self::NOWHERE);
        $this->value = $value ?? 0;
    }

    public static function label(): string
    {
        return 'Value of a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('value', 'Value')->meaning('In the point\'s own unit: slots 0 to 255, parameters in theirs.'),
        ];
    }

    /** Whether it is given to fixtures, and fades; everything else is set at once. */
    public function isGiven(): bool
    {
        return \in_array($this->point->kind, ['slot', 'fixture', 'group'], true);
    }
}
