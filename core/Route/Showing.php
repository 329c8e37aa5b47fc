<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Signal\Message;

/** A trigger whose control can show something: a motor, a lamp, a display listens to the message that it sends. */
interface Showing extends Trigger
{
    /** @return Message|null that shows a value there; null where it stands for many, and nobody can say which */
    public function shows(float $value): ?Message;
}
