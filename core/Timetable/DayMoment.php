<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable;

use NimbleJunction\Core\Document\Kind;

/** When in a day something happens. */
interface DayMoment extends Kind
{
    /**
     * @param \DateTimeImmutable $day its midnight, in the time zone of the house
     *
     * @return int|null seconds since 1970; null where there is no such moment on that day
     */
    public function on(\DateTimeImmutable $day): ?int;

    /** In words: "at 19:30". */
    public function words(): string;
}
