<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;

/** A value as so many bits have room for it. */
final class Bits
{
    /**
     * @param int|string|null $what as the document has it: a number, a gap like {note}, or null for the value
     *
     * @return int 0 to $highest; 0 where nothing fills the gap
     */
    public static function filled(int|string|null $what, float $value, Event $event, int $highest): int
    {
        if (\is_string($what)) {
            $text = Template::fill($what, $value, $event);

            return self::held(is_numeric($text) ? (float) $text : 0.0, $highest);
        }

        return self::held($what ?? $value, $highest);
    }

    /** @return int 0 to $highest */
    public static function held(int|float $value, int $highest): int
    {
        return (int) max(0, min($highest, floor($value + 0.5)));
    }
}
