<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A step that goes on by itself after a value has come: a ramp, a long press. */
interface Continuing extends Step
{
    /** Its time has come: see Passing::wakeIn(). */
    public function goOn(Passing $passing): float;
}
