<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

/** An order that is given in show mode too: it runs the show, or looks on; nothing else is. */
interface InShowMode
{
}
