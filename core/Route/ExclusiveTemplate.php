<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Route\Send\Bits;

/**
 * System Exclusive with gaps, in hexadecimal: "F0 7D 01 {cue} {level:14} F7". A gap in braces is one byte of 7 bits; with
 * ":14" two, the higher first; with ":14-low-first" the lower first; with ":text" as many characters as there are up to what
 * follows. "??" is any byte, and "4?" any that begins with 4; both only where it is listened for.
 */
final readonly class ExclusiveTemplate
{
    public const RULE = 'Use bytes in hexadecimal, like F0 7D 01 F7, with gaps like {cue}, {level:14}, {level:14-low-first} or {name:text}.';
    private const PIECE = '/\G(?:\{([a-z][a-z0-9-]*)(?::(14|14-low-first|text))?\}|([0-9a-f]|\?)([0-9a-f]|\?|$))/';
    private const LONGEST_TEXT = 256;

    /** @var list<array{string, string}> nibbles as they are or "?", or a name with how wide it is */
    private array $pieces;

    /** '' where it can be read. */
    public string $problem;

    public function __construct(string $text)
    {
        $pieces = [];
        $clean = strtolower((string) preg_replace('/\s+/', '', $text));
        $length = \strlen($clean);
        for ($at = 0; $at < $length; $at += \strlen($found[0])) {
            if (preg_match(self::PIECE, $clean, $found, 0, $at) !== 1) {
                break;
            }
            $pieces[] = $found[1] === ''
                ? [str_pad($found[0], 2, '?'), 'byte']
                : [$found[1], ($found[2] ?? '') === '' ? '7' : $found[2]];
        }
        $this->pieces = $pieces;
        $this->problem = match (true) {
            $clean === '' => 'there is nothing',
            $at < $length => '"'.substr($clean, $at, 12).'" is no byte and no gap',
            default => '',
        };
    }

    /** @return string why it cannot be sent; '' where it can */
    public function problemToSend(): string
    {
        $bytes = array_column(array_filter($this->pieces, static fn(array $piece): bool => $piece[1] === 'byte'), 0);
        $inside = \array_slice($bytes, 1, -1);

        return match (true) {
            $this->problem !== '' => $this->problem,
            str_contains(implode('', $bytes), '?') => '"?" stands for no byte that could be sent',
            ($this->pieces[0][0] ?? '') !== 'f0'
                || $bytes[\count($bytes) - 1] !== 'f7'
                || ($this->pieces[\count($this->pieces) - 1][0] ?? '') !== 'f7' => 'it does not run from F0 to F7',
            array_filter(
                $inside,
                static fn(string $byte): bool => $byte >= '80',
            ) !== [] => 'between F0 and F7 are bytes up to 7F only',
            default => '',
        };
    }

    /** @return list<string> names of its gaps */
    public function names(): array
    {
        $names = array_filter($this->pieces, static fn(array $piece): bool => $piece[1] !== 'byte');

        return array_values(array_unique(array_column($names, 0)));
    }

    /**
     * @param string $hex all of a message, from f0 to f7; what comes after what the template says is left
     *
     * @return array<string, int|string>|string what the gaps took, or in words why it does not fit
     */
    public function taken(string $hex): array|string
    {
        $taken = [];
        $at = 0;
        foreach ($this->pieces as $i => [$what, $width]) {
            if ($width === 'byte') {
                $byte = substr($hex, $at, 2);
                if (! self::fits($what, $byte)) {
                    return 'waits for '.strtoupper($what).' as byte '.($at / 2 + 1).', '
                        .($byte === '' ? 'it is shorter' : 'it is '.strtoupper($byte));
                }
                $at += 2;

                continue;
            }
            $bytes = $width === 'text' ? $this->text($hex, $at, $i) : substr($hex, $at, $width === '7' ? 2 : 4);
            if ($width !== 'text' && (\strlen($bytes) < ($width === '7' ? 2 : 4) || str_ends_with($bytes, 'f7'))) {
                return "has nothing for {{$what}} at byte ".($at / 2 + 1);
            }
            $taken[$what] = self::value($bytes, $width);
            $at += \strlen($bytes);
        }

        return $taken;
    }

    /**
     * @param \Closure(string): (int|float|string) $of what goes into a gap, by its name
     *
     * @return string bytes; the shortest message where it cannot be sent
     */
    public function filled(\Closure $of): string
    {
        if ($this->problemToSend() !== '') {
            return "\xF0\xF7";
        }
        $bytes = '';
        foreach ($this->pieces as [$what, $width]) {
            $bytes .= $width === 'byte' ? (string) hex2bin($what) : self::bytes($of($what), $width);
        }

        return $bytes;
    }

    private static function bytes(int|float|string $value, string $width): string
    {
        if ($width === 'text') {
            return substr((string) preg_replace('/[^\x20-\x7e]/', '?', (string) $value), 0, self::LONGEST_TEXT);
        }
        $number = is_numeric($value) ? (float) $value : 0.0;
        if ($width === '7') {
            return \chr(Bits::held($number, 127));
        }
        $held = Bits::held($number, 16383);
        $high = \chr($held >> 7);
        $low = \chr($held & 127);

        return $width === '14' ? $high.$low : $low.$high;
    }

    private static function value(string $hex, string $width): int|string
    {
        $bytes = (string) hex2bin($hex);

        return match ($width) {
            '7' => \ord($bytes),
            '14' => (\ord($bytes[0]) << 7) | \ord($bytes[1]),
            '14-low-first' => (\ord($bytes[1]) << 7) | \ord($bytes[0]),
            default => (string) preg_replace('/[^\x20-\x7e]/', '?', $bytes),
        };
    }

    /** A text ends where what follows it begins, at the latest before F7. */
    private function text(string $hex, int $at, int $piece): string
    {
        [$next, $width] = $this->pieces[$piece + 1] ?? ['f7', 'byte'];
        $end = $at;
        while (
            $end < \strlen($hex)
            && substr($hex, $end, 2) !== 'f7'
            && ! ($width === 'byte' && self::fits($next, substr($hex, $end, 2)))
        ) {
            $end += 2;
        }

        return substr($hex, $at, $end - $at);
    }

    private static function fits(string $nibbles, string $byte): bool
    {
        return \strlen($byte) === 2
            && ($nibbles[0] === '?' || $nibbles[0] === $byte[0])
            && ($nibbles[1] === '?' || $nibbles[1] === $byte[1]);
    }
}
