<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/**
 * A part of the show document that says its fields once: its reader with its errors, its JSON Schema, the page's types
 * and forms, its search entry and its name in summaries follow from that. Its constructor takes the fields by their
 * names; a field that does not apply is left to the constructor's own default.
 */
interface Part
{
    /** @return string what people call it, in the singular, like "Universe" */
    public static function label(): string;

    /** @return list<Field> */
    public static function fields(): array;
}
