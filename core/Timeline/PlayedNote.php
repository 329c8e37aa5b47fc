<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** A note that a timeline plays. */
final readonly class PlayedNote implements Part
{
    /**
     * @param float $at in the timeline's unit
     * @param int $note 0 to 127
     * @param int $velocity 1 to 127
     * @param float $long in the timeline's unit
     */
    public function __construct(
        public string $id,
        public float $at,
        public int $note,
        public int $velocity = 100,
        public float $long = 0.25,
    ) {
    }

    public static function label(): string
    {
        return 'Played note';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::number('at', 'At', 0.0, Timeline::LONGEST, 0.0),
            Field::whole('note', 'Note, 0 to 127', 0, 127),
            Field::whole('velocity', 'Velocity', 1, 127, 100),
            Field::number('long', 'Long', 0.001, Timeline::LONGEST, 0.25),
        ];
    }
}
