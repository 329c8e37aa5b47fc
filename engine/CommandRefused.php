<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** A command over the live link that is not carried out, in words for the person who gave it. */
final class CommandRefused extends \RuntimeException
{
}
