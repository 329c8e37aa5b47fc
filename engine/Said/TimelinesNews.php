<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How timelines and time codes stand. */
final readonly class TimelinesNews extends Message
{
    /**
     * @param float $now milliseconds of the engine's clock
     * @param list<TimelineLife> $timelines
     * @param list<TimecodeLife> $timecodes
     */
    public function __construct(
        public float $now,
        #[ListOf(TimelineLife::class)]
        public array $timelines,
        #[ListOf(TimecodeLife::class)]
        public array $timecodes,
    ) {
    }

    public static function type(): string
    {
        return 'timelines';
    }
}
