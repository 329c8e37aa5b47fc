<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Layout\Unwritable;

/** From JSON values to OSC arguments, as a type tag string asks for them. */
final class Values
{
    /** The type tag for a value that comes without one. */
    public static function guess(mixed $value): string
    {
        return match (true) {
            \is_int($value) => abs($value) > 0x7FFFFFFF ? 'h' : 'i',
            \is_float($value) => 'f',
            \is_bool($value) => $value ? 'T' : 'F',
            $value === null => 'N',
            \is_array($value) && array_is_list($value) => '['.implode('', array_map(self::guess(...), $value)).']',
            \is_array($value) => 't',
            default => 's',
        };
    }

    /**
     * @param int $at place in the type tags, moved behind those that are used
     * @param list<mixed> $plain
     *
     * @return list<Argument>
     *
     * @throws Unwritable
     */
    public static function arguments(string $tags, int &$at, array $plain, string $path): array
    {
        $arguments = [];
        for ($place = 0; $at < \strlen($tags) && $tags[$at] !== ']'; ++$place, ++$at) {
            if (! \array_key_exists($place, $plain)) {
                throw Unwritable::field("{$path}/{$place}", null, "the type tag string asks for \"{$tags[$at]}\" here");
            }
            $value = $plain[$place];
            if ($tags[$at] !== '[') {
                $arguments[] = self::argument($tags[$at], $value, "{$path}/{$place}");

                continue;
            }
            if (! \is_array($value)) {
                throw Unwritable::field("{$path}/{$place}", $value, 'use a list: the type tag string has an array here');
            }
            ++$at;
            $inside = self::arguments($tags, $at, array_values($value), "{$path}/{$place}");
            if (($tags[$at] ?? '') !== ']') {
                throw Unwritable::field('OSC Type Tag String', $tags, '"[" is not closed');
            }
            $arguments[] = Argument::tagged('[', $inside);
        }
        if ($place < \count($plain)) {
            throw Unwritable::field("{$path}/{$place}", $plain[$place], 'the type tag string names no type for it');
        }

        return $arguments;
    }

    /** @throws Unwritable */
    public static function timeTag(mixed $plain, string $path): TimeTag
    {
        $seconds = \is_array($plain) ? $plain['seconds'] ?? null : null;
        $fraction = \is_array($plain) ? $plain['fraction'] ?? null : null;
        if (
            ! \is_int($seconds)
            || ! \is_int($fraction)
            || min($seconds, $fraction) < 0
            || max($seconds, $fraction) > 0xFFFFFFFF
        ) {
            throw Unwritable::field($path, $plain, 'use "seconds" and "fraction", whole numbers from 0 to 4294967295');
        }

        return new TimeTag($seconds, $fraction);
    }

    /** @throws Unwritable */
    private static function argument(string $tag, mixed $value, string $path): Argument
    {
        if ($tag === 't') {
            return Argument::tagged('t', self::timeTag($value, $path));
        }
        if (\in_array($tag, ['f', 'd'], true) && \is_string($value)) {
            $value = ['NaN' => \NAN, 'Infinity' => \INF, '-Infinity' => -\INF][$value] ?? $value;
        }
        [$fits, $allowed] = match ($tag) {
            'i' => [
                \is_int($value) && $value >= -0x80000000 && $value <= 0x7FFFFFFF,
                'use a whole number from -2147483648 to 2147483647',
            ],
            'c' => [\is_int($value) && $value >= 0 && $value <= 0x7FFFFFFF, 'use the code of a character, a whole number from 0'],
            'h' => [\is_int($value), 'use a whole number of 64 bits'],
            'f', 'd' => [\is_int($value) || \is_float($value), 'use a number, or "NaN", "Infinity" or "-Infinity"'],
            's', 'S' => [\is_string($value) && ! str_contains($value, "\0"), 'use a text without zero bytes'],
            'b' => [self::isHex($value, null), 'use bytes in hexadecimal'],
            'r', 'm' => [self::isHex($value, 4), 'use four bytes in hexadecimal'],
            'T' => [$value === true, 'use true'],
            'F' => [$value === false, 'use false'],
            'N', 'I' => [$value === null, 'use null'],
            default => throw Unwritable::field(
                'OSC Type Tag String',
                $tag,
                'use tags of OSC 1.0: i f s b h t d S c r m T F N I [ ]',
            ),
        };
        if (! $fits) {
            throw Unwritable::field($path, $value, $allowed);
        }
        if (\is_string($value) && \in_array($tag, ['b', 'r', 'm'], true)) {
            $value = (string) hex2bin($value);
        }

        return Argument::tagged(
            $tag,
            \is_int($value) && \in_array($tag, ['f', 'd'], true) ? (float) $value : (\is_scalar($value) ? $value : null),
        );
    }

    private static function isHex(mixed $value, ?int $bytes): bool
    {
        return \is_string($value)
            && ($value === '' || ctype_xdigit($value))
            && ($bytes === null ? \strlen($value) % 2 === 0 : \strlen($value) === 2 * $bytes);
    }
}
