<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Document\Kind;

/** Where pixels are, one after the other as the line runs through them. A new one is a class, named in Layouts. */
interface Layout extends Kind
{
    public function count(): int;

    /** @return list<array{float, float}> across and down from the top left, in pixels, in the order of the line */
    public function places(): array;
}
