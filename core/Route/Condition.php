<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;

/** What must be so as well. */
interface Condition extends Kind
{
    /** @return Missed|null what it misses; null where it is so */
    public function missed(float $value, Passing $passing): ?Missed;

    /** @return string to follow "if" */
    public function words(Wording $wording): string;
}
