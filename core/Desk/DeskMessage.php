<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** An understood line as it leaves for its desk. */
final class DeskMessage
{
    public static function protocol(Desk $desk): Protocol
    {
        return $desk->way === 'sysex' ? Protocol::Midi : Protocol::Osc;
    }

    public static function of(Desk $desk, Understood $line): Message
    {
        $names = $line->form->pattern->names();
        $sent = $line->form->rendered($line);
        if ($desk->way === 'sysex') {
            // Data bytes have seven bits (MIDI 1.0, from memory): what is no such letter is left out.
            $text = (string) preg_replace('#[^\x20-\x7E]#', '?', $sent);
            $hex = str_replace('{line}', bin2hex($text), (string) preg_replace('#\s+#', '', $desk->bytes));

            return new Exclusive(new SystemExclusive((string) hex2bin($hex)));
        }
        $address = DeskForm::filled($desk->oscAddress(), $line, $names);
        $arguments = $desk->arguments === []
            ? [$sent]
            : array_map(
                static fn(string $one): int|float|string => self::typed(DeskForm::filled($one, $line, $names), $one),
                $desk->arguments,
            );

        return Osc::of((string) preg_replace('#[\s\#*,?\[\]{}]#', '-', $address), $arguments);
    }

    /** A value that stands alone is sent as the number that it is. */
    private static function typed(string $text, string $template): int|float|string
    {
        $isAlone = preg_match('#^\{[a-z0-9-]+\}$#D', $template) === 1;

        return match (true) {
            ! $isAlone || ! is_numeric($text) => $text,
            ctype_digit(ltrim($text, '-')) => (int) $text,
            default => (float) $text,
        };
    }
}
