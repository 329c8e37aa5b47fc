<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;

/** From a place of a timeline on it has another tempo, or other bars. */
final readonly class TempoChange implements Part
{
    public const MOST = 2000;
    public const SLOWEST = 4.0;
    public const FASTEST = 1000.0;

    /**
     * @param float $at in the timeline's unit
     * @param float $bpm beats a minute
     * @param float $bar beats a bar; where that is another one than before, a bar begins here
     */
    public function __construct(public float $at, public float $bpm, public float $bar = 4.0)
    {
    }

    public static function label(): string
    {
        return 'Tempo change';
    }

    public static function fields(): array
    {
        return [
            Field::number('at', 'At', 0.0, Timeline::LONGEST),
            Field::number('bpm', 'Beats a minute', self::SLOWEST, self::FASTEST),
            Field::number('bar', 'Beats a bar', 0.25, 64.0, 4.0),
        ];
    }
}
