<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

/** A topic that guests of a surface may follow too, for their own surface alone: that is its subject. */
interface ForGuests
{
}
