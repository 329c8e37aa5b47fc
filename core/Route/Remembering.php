<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A condition that keeps in mind what got through, when all others held as well. */
interface Remembering extends Condition
{
    public function passed(float $value, Passing $passing): void;
}
