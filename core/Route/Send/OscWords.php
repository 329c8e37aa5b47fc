<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

/** What an OSC address may consist of (OSC 1.0, "OSC Address Spaces"). */
final class OscWords
{
    /** @return string the address, with "_" for what none may have: a text that arrived may have anything */
    public static function address(string $text): string
    {
        $clean = (string) preg_replace('~[^\x21-\x7E]|[#*,?\[\]{}]~', '_', $text);

        return str_starts_with($clean, '/') ? $clean : "/{$clean}";
    }
}
