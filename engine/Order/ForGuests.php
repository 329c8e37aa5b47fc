<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

/** An order that guests of a surface may give too: it sees for itself that it stays within their surface. */
interface ForGuests
{
}
