<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Starting;

use NimbleJunction\Core\Document\Kind;

/** Something that routes can begin from: it makes ordinary routes, which are looked at before they are kept. */
interface Start extends Kind
{
    /** @return list<array<string, mixed>> routes of the document, without ids */
    public function routes(): array;
}
