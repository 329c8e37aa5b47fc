<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What the timetable does next. */
final readonly class TimetableNews extends Message
{
    /**
     * @param float|null $time seconds since 1970; null where it is not known what time it is
     * @param string $zone the one in which the house is
     * @param list<OccasionLife> $occasions what comes next first; then what does not come
     */
    public function __construct(
        public ?float $time,
        public string $zone,
        #[ListOf(OccasionLife::class)]
        public array $occasions,
    ) {
    }

    public static function type(): string
    {
        return 'timetable';
    }
}
