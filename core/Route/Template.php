<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A text with gaps: {value}, and what arrived by its names, like {cue} or {velocity}. */
final class Template
{
    /** @param Event $event what arrived */
    public static function fill(string $text, float $value, Event $event): string
    {
        if (! str_contains($text, '{')) {
            return $text;
        }
        $words = [];
        foreach ($event->fields() as $name => $field) {
            $words["{{$name}}"] = \is_float($field) ? self::number($field) : (string) $field;
        }

        // What arrived may have a value of its own: in a text it is what became of it.
        return strtr($text, ['{value}' => self::number($value)] + $words);
    }

    /** At most four places after the point, and none that are zero. */
    public static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 4, '.', ''), '0'), '.');
    }
}
