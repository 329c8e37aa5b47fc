<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** What becomes of the value on its way. */
interface Step extends Kind
{
    /** @return float|null null: nothing passes now */
    public function apply(float $value, Passing $passing): ?float;

    /** @return string what it does */
    public function words(Wording $wording): string;
}
