<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

/** A rehearsal that would never end. */
final class CannotGoOn extends \RuntimeException
{
}
