<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A part of the show document that says of what kind it is: a class, with its description. Its constructor takes the fields by their names. */
interface Kind
{
    /** @return string the word in the document: lower case, with hyphens */
    public static function kind(): string;

    /** @return string what a form calls it */
    public static function label(): string;

    /** @return list<Field> */
    public static function fields(): array;
}
