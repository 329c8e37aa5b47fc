<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Timetable\DayMoment;
use NimbleJunction\Core\Timetable\Sun;

/** By the sun, at a place: the day's sunrise and sunset, or where its twilight begins and ends. */
final readonly class AtSun implements DayMoment
{
    private const TITLES = [
        'sunrise' => 'sunrise',
        'sunset' => 'sunset',
        'dawn' => 'dawn: the sun is 6° below the horizon',
        'dusk' => 'dusk: the sun is 6° below the horizon',
    ];

    /**
     * @param string $event sunrise, sunset, dawn or dusk
     * @param float $latitude degrees, north is positive
     * @param float $longitude degrees, east is positive
     * @param float $minutes after it; before it below 0
     */
    public function __construct(
        public string $event,
        public float $latitude,
        public float $longitude,
        public float $minutes = 0.0,
    ) {
    }

    public static function kind(): string
    {
        return 'sun';
    }

    public static function label(): string
    {
        return 'By the sun';
    }

    public static function fields(): array
    {
        return [
            Field::word('event', 'At', array_keys(self::TITLES), 'sunset')->called(self::TITLES),
            Field::number('minutes', 'Minutes after it; below 0 before it', -720.0, 720.0, 0.0),
            Field::number('latitude', 'Latitude (°, north is positive)', -90.0, 90.0),
            Field::number('longitude', 'Longitude (°, east is positive)', -180.0, 180.0),
        ];
    }

    /** Near the poles there are days without: nothing happens then. */
    public function on(\DateTimeImmutable $day): ?int
    {
        $height = \in_array($this->event, ['dawn', 'dusk'], true) ? Sun::TWILIGHT : Sun::HORIZON;
        $isMorning = \in_array($this->event, ['sunrise', 'dawn'], true);
        $at = (new Sun($this->latitude, $this->longitude))->at($day->setTime(12, 0)->getTimestamp(), $height, $isMorning);

        return $at !== null ? $at + (int) round($this->minutes * 60.0) : null;
    }

    public function words(): string
    {
        $minutes = abs($this->minutes);
        $before = match (true) {
            $minutes === 0.0 => 'at ',
            $this->minutes < 0.0 => "{$minutes} min before ",
            default => "{$minutes} min after ",
        };

        return $before.$this->event;
    }
}
