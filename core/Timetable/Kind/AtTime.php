<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Timetable\DayMoment;

/** A time of the day, as the clock on the wall says it. */
final readonly class AtTime implements DayMoment
{
    public function __construct(public string $at)
    {
    }

    public static function kind(): string
    {
        return 'time';
    }

    public static function label(): string
    {
        return 'At a time';
    }

    public static function fields(): array
    {
        return [
            Field::pattern(
                'at',
                'At, like 19:30 or 19:30:15',
                '#^(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?$#D',
                'Use hours and minutes, with or without seconds, like 19:30 or 19:30:15.',
            ),
        ];
    }

    /**
     * In the night when clocks are put on, a time that is left out is an hour later; in that when they are put back, it comes
     * once.
     */
    public function on(\DateTimeImmutable $day): int
    {
        [$hour, $minute, $second] = [...array_map(intval(...), explode(':', $this->at)), 0, 0];

        return $day->setTime($hour, $minute, $second)->getTimestamp();
    }

    public function words(): string
    {
        return "at {$this->at}";
    }
}
