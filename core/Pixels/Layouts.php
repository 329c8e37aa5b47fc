<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Pixels\Layout\Line;
use NimbleJunction\Core\Pixels\Layout\Rectangle;
use NimbleJunction\Core\Pixels\Layout\Ring;
use NimbleJunction\Core\Pixels\Layout\Table;

/** All ways in which pixels can lie: a new one is named here. */
final class Layouts
{
    public const ALL = [Rectangle::class, Line::class, Ring::class, Table::class];
}
