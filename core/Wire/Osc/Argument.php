<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/**
 * One argument of an OSC message: its type tag and its value.
 *
 *   i int32   f float32   s string   b blob                     every receiver knows these
 *   h int64   d float64   t time tag   S symbol   c character   r RGBA   m MIDI
 *   T true   F false   N nil   I infinitum   [ … ] array        optional in 1.0, all known here
 *
 * Source: OSC 1.0, "OSC Type Tag String".
 */
final readonly class Argument
{
    private const CLAUSE = 'OSC 1.0, Atomic Data Types';
    private const DEEPEST = 8;

    /**
     * @param int|float|string|bool|TimeTag|list<Argument>|null $value bytes as they are for b, r and m; the code of the
     * character for c
     */
    private function __construct(public string $tag, public int|float|string|bool|array|TimeTag|null $value)
    {
    }

    /** 32 bits, signed */
    public static function int(int $value): self
    {
        return new self('i', $value);
    }

    /** IEEE 754 single precision on the wire */
    public static function float(float $value): self
    {
        return new self('f', $value);
    }

    public static function string(string $value): self
    {
        return new self('s', $value);
    }

    public static function of(int|float|string $value): self
    {
        return new self(\is_int($value) ? 'i' : (\is_float($value) ? 'f' : 's'), $value);
    }

    /**
     * Of any type. The value must fit the tag: see there.
     *
     * @param int|float|string|bool|TimeTag|list<Argument>|null $value
     */
    public static function tagged(string $tag, int|float|string|bool|array|TimeTag|null $value): self
    {
        return new self($tag, $value);
    }

    /** What stands for it in the type tag string. */
    public function tags(): string
    {
        return \is_array($this->value) ? '['.implode(
            '',
            array_map(static fn(self $one): string => $one->tags(), $this->value),
        ).']' : $this->tag;
    }

    public function encode(): string
    {
        $value = $this->value;
        if ($this->tag === 'f') {
            return pack('G', \is_float($value) || \is_int($value) ? $value : 0.0);
        }
        if ($this->tag === 'i' || $this->tag === 'c') {
            return pack('N', \is_int($value) ? $value & 0xFFFFFFFF : 0);
        }
        if (\is_array($value)) {
            return implode('', array_map(static fn(self $one): string => $one->encode(), $value));
        }
        if ($value instanceof TimeTag) {
            return $value->encode();
        }

        return match ($this->tag) {
            's', 'S' => Padded::write((string) $value),
            'b' => pack('N', \strlen((string) $value)).$value.str_repeat("\0", -\strlen((string) $value) & 3),
            'h' => pack('J', \is_int($value) ? $value : 0),
            'd' => pack('E', \is_float($value) || \is_int($value) ? $value : 0.0),
            'r', 'm' => str_pad(substr((string) $value, 0, 4), 4, "\0"),
            default => '',
        };
    }

    /**
     * All arguments that a type tag string names.
     *
     * @param string $tags with its comma
     * @param int $offset moved behind them
     * @param int $base where the message begins in its packet, for refusals
     *
     * @return list<self>
     *
     * @throws Malformed
     */
    public static function decodeAll(string $tags, string $bytes, int &$offset, int $tagsAt, int $base = 0): array
    {
        $arguments = [];

        /** @var list<list<self>> $outer */
        $outer = [];
        $count = \strlen($tags);
        for ($i = 1; $i < $count; ++$i) {
            $tag = $tags[$i];
            if ($tag === 'f' && \strlen($bytes) - $offset >= 4) {
                // By far the most common one, read without a detour.
                $arguments[] = new self('f', self::number('G', $bytes, $offset));
                $offset += 4;
            } elseif ($tag === '[') {
                if (\count($outer) >= self::DEEPEST) {
                    throw Malformed::at($base + $tagsAt + $i, 'arrays are nested deeper than '.self::DEEPEST, 'our own limit');
                }
                $outer[] = $arguments;
                $arguments = [];
            } elseif ($tag === ']') {
                $around = array_pop($outer);
                if ($around === null) {
                    throw Malformed::at($base + $tagsAt + $i, '"]" without a "["', 'OSC 1.0, OSC Type Tag String');
                }
                $around[] = new self('[', $arguments);
                $arguments = $around;
            } else {
                $arguments[] = self::decode($tag, $bytes, $offset, $base + $tagsAt + $i, $base);
            }
        }
        if ($outer !== []) {
            throw Malformed::at($base + $tagsAt + $count, '"[" without a "]"', 'OSC 1.0, OSC Type Tag String');
        }

        return $arguments;
    }

    /** @throws Malformed */
    private static function decode(string $tag, string $bytes, int &$offset, int $tagAt, int $base): self
    {
        if ($tag === 's' || $tag === 'S') {
            return new self($tag, Padded::read($bytes, $offset, 'A string argument', $base));
        }
        $width = match ($tag) {
            'f', 'i', 'c', 'r', 'm', 'b' => 4,
            'h', 't', 'd' => 8,
            'T', 'F', 'N', 'I' => 0,
            default => throw Malformed::at(
                $tagAt,
                'type tag "'.(ctype_print($tag) ? $tag : '0x'.bin2hex($tag)).'" is not one of OSC 1.0',
                'OSC 1.0, OSC Type Tag String',
            ),
        };
        if (\strlen($bytes) - $offset < $width) {
            throw Malformed::at(
                $base + $offset,
                "argument \"{$tag}\" takes {$width} bytes, ".(\strlen($bytes) - $offset).' are left',
                self::CLAUSE,
            );
        }
        $piece = substr($bytes, $offset, $width);
        $at = $offset;
        $offset += $width;

        return match ($tag) {
            'f' => new self('f', self::number('G', $piece)),
            'i' => new self('i', self::signed($piece)),
            'd' => new self('d', self::number('E', $piece)),
            'h' => new self('h', (int) self::number('J', $piece)),
            'c' => new self('c', self::signed($piece)),
            't' => new self('t', TimeTag::read($piece, 0)),
            'r', 'm' => new self($tag, $piece),
            'b' => new self('b', self::blob($bytes, $offset, (int) self::number('N', $piece), $at, $base)),
            'T' => new self('T', true),
            'F' => new self('F', false),
            default => new self($tag, null),
        };
    }

    private static function number(string $format, string $piece, int $offset = 0): int|float
    {
        $read = unpack($format, $piece, $offset);
        $number = \is_array($read) ? $read[1] : 0;

        return \is_int($number) || \is_float($number) ? $number : 0;
    }

    private static function signed(string $four): int
    {
        $number = \ord($four[0]) << 24 | \ord($four[1]) << 16 | \ord($four[2]) << 8 | \ord($four[3]);

        return $number > 0x7FFFFFFF ? $number - 0x100000000 : $number;
    }

    /** @throws Malformed */
    private static function blob(string $bytes, int &$offset, int $size, int $at, int $base): string
    {
        $padded = $size + (-$size & 3);
        if ($padded > \strlen($bytes) - $offset) {
            throw Malformed::at(
                $base + $at,
                "a blob of {$size} bytes does not fit, ".(\strlen($bytes) - $offset).' are left',
                self::CLAUSE,
            );
        }
        $blob = substr($bytes, $offset, $size);
        $offset += $padded;

        return $blob;
    }
}
