<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A part that says of what kind it is: a class for each kind. */
interface Kind extends Part
{
    /** @return string the word in the document: lower case, with hyphens */
    public static function kind(): string;
}
