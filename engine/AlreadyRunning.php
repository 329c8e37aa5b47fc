<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** The data folder belongs to another engine; the message says to which. */
final class AlreadyRunning extends \RuntimeException
{
}
