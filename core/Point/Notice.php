<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** How it becomes known that a point has another value. */
enum Notice
{
    /** It hangs on slots: whenever their universe has other levels, it is looked at. */
    case Levels;

    /** Its room says so. */
    case Told;

    /** Somebody has to look, now and then, and after whatever may have changed it. */
    case Looked;
}
