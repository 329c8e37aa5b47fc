<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Panel\Handle\AxisHandle;
use NimbleJunction\Core\Panel\Handle\ButtonHandle;
use NimbleJunction\Core\Panel\Handle\EncoderHandle;
use NimbleJunction\Core\Panel\Handle\FaderHandle;

/** All kinds of parts of panels: a new one is a class, named here. */
final class Handles
{
    public const ALL = [
        FaderHandle::class,
        ButtonHandle::class,
        EncoderHandle::class,
        AxisHandle::class,
    ];
}
