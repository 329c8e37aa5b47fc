<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a recording stands. */
final readonly class RecordingNews extends Message
{
    /**
     * @param float $now milliseconds of the engine's clock
     * @param string $state off, counting, running, or done: something waits to be kept
     * @param string $timeline id
     * @param float $startsAt milliseconds of the engine's clock when its count-in is over
     * @param list<ArmedPoint> $points
     * @param int $passes that wait to be kept
     * @param string $why it ended, where nobody ended it
     */
    public function __construct(
        public float $now,
        public string $state,
        public string $timeline,
        public float $startsAt,
        #[ListOf(ArmedPoint::class)]
        public array $points,
        public int $passes,
        public string $why,
    ) {
    }

    public static function type(): string
    {
        return 'recording';
    }
}
