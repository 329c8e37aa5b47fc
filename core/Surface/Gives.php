<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\Reference;

/** A control that gives what only the patch knows. */
interface Gives
{
    /** @return list<Reference> */
    public function given(Patch $patch): array;
}
