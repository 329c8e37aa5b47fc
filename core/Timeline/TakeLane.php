<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;

/** What one point did from a moment to another, as it was recorded. */
final readonly class TakeLane implements Part
{
    private const MOST = 20_000;

    /**
     * @param Reference|null $point null for one that is gone
     * @param float $from in the timeline's unit
     * @param list<Knot> $knots
     * @param int $samples so many were recorded
     * @param float $off that far its line lies away from them at most, in the unit of the point
     */
    public function __construct(
        public float $from,
        public float $to,
        public ?Reference $point = null,
        public array $knots = [],
        public int $samples = 0,
        public float $off = 0.0,
    ) {
    }

    public static function label(): string
    {
        return 'What one point did';
    }

    public static function fields(): array
    {
        return [
            Field::number('from', 'From', 0.0, Timeline::LONGEST),
            Field::number('to', 'To', 0.0, Timeline::LONGEST),
            Field::pointOrNone('point', 'Point'),
            Field::objects('knots', 'Points of its line', Knot::class, self::MOST),
            Field::whole('samples', 'Recorded values', 0, 10_000_000, 0),
            Field::number('off', 'The line is off by', 0.0, 1e9, 0.0),
        ];
    }
}
