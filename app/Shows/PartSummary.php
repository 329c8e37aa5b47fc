<?php

declare(strict_types=1);

namespace App\Shows;

/** What an edit does, in the words that undo uses. */
final class PartSummary
{
    public static function of(string $verb, string $list, string $name): string
    {
        return "{$verb} ".rtrim($list, 's').' "'.mb_strimwidth($name, 0, 80, '…').'"';
    }
}
