<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Show\Show;

/** Whole pages of a surface at once, made of what a show has: one class a kind. */
interface Template extends Kind
{
    /** @return list<array<string, mixed>> pages as they stand in a show document; none where the show has nothing for them */
    public function pages(Show $show): array;
}
