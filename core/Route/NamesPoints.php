<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Point\Reference;

/** A part that names points within a text: they are looked for as those in fields are. */
interface NamesPoints
{
    /** @return string the field that names them */
    public function field(): string;

    /** @return list<Reference> */
    public function points(): array;
}
