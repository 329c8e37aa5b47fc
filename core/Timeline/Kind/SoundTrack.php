<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Timeline\TrackKind;

/**
 * A sound for the eye: the show keeps what its file is called and how loud it is; pages play it, where somebody opens it
 * there.
 */
final readonly class SoundTrack implements TrackKind
{
    private const MOST_PEAKS = 400_000;

    /**
     * @param string $file what its file is called
     * @param float $at where it begins, in the timeline's unit
     * @param float $seconds how long it is
     * @param int $perSecond peaks of a second
     * @param string $peaks how loud it is, in Base64: a byte for each, 0 to 255
     */
    public function __construct(
        public string $file = '',
        public float $at = 0.0,
        public float $seconds = 0.0,
        public int $perSecond = 20,
        public string $peaks = '',
    ) {
    }

    public static function kind(): string
    {
        return 'sound';
    }

    public static function label(): string
    {
        return 'Sound';
    }

    public static function fields(): array
    {
        return [
            Field::textOrNone('file', 'File', 200),
            Field::number('at', 'Begins at', 0.0, Timeline::LONGEST, 0.0),
            Field::number('seconds', 'Long (s)', 0.0, Timeline::LONGEST, 0.0),
            Field::whole('perSecond', 'Peaks of a second', 1, 200, 20),
            Field::textOrNone('peaks', 'Peaks', self::MOST_PEAKS),
        ];
    }

    public function ends(): float
    {
        return $this->at + $this->seconds;
    }

    public function routes(Timeline $timeline, Track $track): array
    {
        return [];
    }

    public function ending(Moment $moment): ?Moment
    {
        return null;
    }

    public function moments(): array
    {
        return [];
    }
}
