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
        $words = ['{value}' => self::number($value)];
        foreach ($event->fields() as $name => $field) {
            $words["{{$name}}"] = \is_float($field) ? self::number($field) : (string) $field;
        }

        return strtr($text, $words);
    }

    /** At most four places after the point, and none that are zero. */
    public static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 4, '.', ''), '0'), '.');
    }
}
