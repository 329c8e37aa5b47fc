<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

/** Something that happened, as it is kept: typed values. Words are made of it when somebody reads them. */
interface Fact
{
    public function words(Names $names): string;
}
