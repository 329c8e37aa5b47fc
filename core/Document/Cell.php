<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/**
 * How a value stands in one cell of a table, and is read from it again. What cannot be read as it is meant stays a
 * text: whoever reads the show says then what is wrong with it, and where.
 */
enum Cell
{
    case Text;
    case Number;
    case Flag;

    /** Numbers or texts: "0; 127". */
    case Series;

    /** Whatever has parts of its own: JSON. */
    case Structure;

    /** A number, a text, or yes and no. */
    case Anything;

    private const YES = ['yes', 'true', 'on', '1'];
    private const NO = ['no', 'false', 'off', '0'];

    public function spelled(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_int($value), \is_float($value) => self::json($value),
            \is_string($value) => $this === self::Anything && $this->read($value) !== $value ? self::json($value) : $value,
            default => ($this === self::Series ? self::series($value) : null) ?? self::json($value),
        };
    }

    public function read(string $cell): mixed
    {
        $plain = trim($cell);

        return match ($this) {
            self::Text => $cell,
            self::Number => self::number($plain) ?? $cell,
            self::Flag => self::flag($plain) ?? $cell,
            self::Series => str_starts_with($plain, '[') ? self::fromJson($cell) : array_map(
                static fn(string $one): int|float|string => self::number($one) ?? $one,
                array_map(trim(...), explode(';', $plain)),
            ),
            self::Structure => self::fromJson($cell),
            self::Anything => self::number($plain)
                ?? (\in_array($plain, ['yes', 'no'], true) ? $plain === 'yes' : self::fromJson($cell)),
        };
    }

    private static function number(string $text): int|float|null
    {
        $text = preg_match('/^[+-]?\d+,\d+$/D', $text) === 1 ? strtr($text, ',', '.') : $text;
        if (! is_numeric($text) || strtolower($text) !== $text || str_starts_with($text, '0x')) {
            return null;
        }

        return $text + 0;
    }

    private static function flag(string $text): ?bool
    {
        $word = strtolower($text);

        return \in_array($word, self::YES, true) ? true : (\in_array($word, self::NO, true) ? false : null);
    }

    /** @return string|null null where there are parts that would not be read from it again */
    private static function series(mixed $value): ?string
    {
        if (! \is_array($value) || ! array_is_list($value) || $value === []) {
            return null;
        }
        foreach ($value as $one) {
            $isPlain = \is_int($one)
                || \is_float($one)
                || (\is_string($one)
                    && trim($one) === $one
                    && $one !== ''
                    && ! str_contains($one, ';')
                    && ! str_starts_with($one, '[')
                    && self::number($one) === null);
            if (! $isPlain) {
                return null;
            }
        }

        return implode('; ', array_map(self::Series->spelled(...), $value));
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_THROW_ON_ERROR);
    }

    private static function fromJson(string $text): mixed
    {
        try {
            return json_decode($text, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException) {
            return $text;
        }
    }
}
