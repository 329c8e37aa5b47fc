<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowFormat;

/** The words of MIDI Show Control as the document has them: lower case, with hyphens. */
final class MscWords
{
    private const PLAIN = [ShowCommand::Set, ShowCommand::Fire];

    /** @return list<string> those that carry cues or nothing */
    public static function commands(): array
    {
        $commands = array_filter(ShowCommand::cases(), static fn(ShowCommand $one): bool => ! \in_array($one, self::PLAIN, true));

        return array_values(array_map(self::word(...), $commands));
    }

    /** @return list<string> those that carry numbers of their own */
    public static function plain(): array
    {
        return array_map(self::word(...), self::PLAIN);
    }

    public static function command(string $word): ShowCommand
    {
        foreach (ShowCommand::cases() as $command) {
            if (self::word($command) === $word) {
                return $command;
            }
        }

        return ShowCommand::Go;
    }

    /** @return list<string> */
    public static function formats(): array
    {
        return array_keys(self::byWord());
    }

    public static function format(string $word): int
    {
        return self::byWord()[$word] ?? 1;
    }

    /** @return string|null a cue's number, as the standard has it: digits and points; null for none */
    public static function number(string $text): ?string
    {
        return preg_match('/^[0-9.]*[0-9][0-9.]*$/D', $text) === 1 ? $text : null;
    }

    /** Cue numbers with one point are decimal: 2.5 comes after 2.10. With more, each part counts by itself. Our own choice. */
    public static function compare(string $one, string $other): int
    {
        $areDecimal = substr_count($one, '.') < 2 && substr_count($other, '.') < 2;

        return $areDecimal ? self::value($one) <=> self::value($other) : version_compare($one, $other);
    }

    /** @return float a cue's number as a value: of 2.5.1 it is 2.5 */
    public static function value(string $number): float
    {
        return (float) $number;
    }

    private static function word(ShowCommand $command): string
    {
        return strtolower(str_replace('_', '-', $command->spelled()));
    }

    /** @return array<string, int> */
    private static function byWord(): array
    {
        $words = [];
        for ($format = 1; $format < 128; ++$format) {
            $name = ShowFormat::name($format);
            if ($name !== null) {
                $words[trim(
                    (string) preg_replace('/[^a-z0-9]+/', '-', strtolower(str_replace('(General)', '', $name))),
                    '-',
                )] ??= $format;
            }
        }

        return $words;
    }
}
