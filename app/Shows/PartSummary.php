<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Show\Show;

/** What an edit does, in the words that undo uses. */
final class PartSummary
{
    private const LONGEST = 80;

    public static function of(string $verb, string $list, string $name): string
    {
        return "{$verb} ".self::singular($list).' "'.mb_strimwidth($name, 0, self::LONGEST, '…').'"';
    }

    /** What one of a list is called: "port" for "ports". */
    public static function singular(string $list): string
    {
        return lcfirst(Show::classOf($list)::label());
    }

    /** What so many of a list are called: "1 port", "2 ports". */
    public static function plural(string $list, int $count): string
    {
        return $count === 1 ? self::singular($list) : $list;
    }

    /**
     * The name that a part gives itself, cut short; whatever else stands there is for the reader of the show to refuse.
     *
     * @param array<string, mixed> $part
     */
    public static function name(array $part, string $otherwise): string
    {
        return mb_strimwidth(\is_string($part['name'] ?? null) ? $part['name'] : $otherwise, 0, self::LONGEST, '…');
    }
}
