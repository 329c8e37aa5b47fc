<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Readings;

/** What must be so as well. */
interface Condition extends Kind
{
    /** @return Missed|null null where it is so */
    public function check(float $value, Readings $readings): ?Missed;

    /** @return string to follow "if" */
    public function words(Wording $wording): string;
}
