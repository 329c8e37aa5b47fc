<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timetable;

use NimbleJunction\Core\Timetable\Kind\AtSun;
use NimbleJunction\Core\Timetable\Kind\AtTime;

/** All kinds of moments of a day: a new one is named here. */
final class DayMoments
{
    /** @var list<class-string<DayMoment>> */
    public const ALL = [AtTime::class, AtSun::class];
}
