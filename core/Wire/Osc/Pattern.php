<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/**
 * An address pattern that stands for many addresses: ? * [abc] [a-z] [!x]
 * {foo,bar}. Each matches inside one part of the address only, never a "/".
 *
 * Every pair of place in the pattern and place in the address is looked at
 * once at most, so that no pattern makes matching slow.
 *
 * Source: OSC 1.0, "OSC Message Dispatching and Pattern Matching".
 */
final readonly class Pattern
{
    private const CLAUSE = 'OSC 1.0, Pattern Matching';

    /** @param list<array{string, string|list<string>}> $tokens kind, and what it takes */
    private function __construct(private array $tokens)
    {
    }

    public static function isPattern(string $address): bool
    {
        return strpbrk($address, '?*[{') !== false;
    }

    /** @throws Malformed a bracket that is not closed */
    public static function of(string $pattern): self
    {
        $tokens = [];
        $length = \strlen($pattern);
        for ($i = 0; $i < $length; ++$i) {
            $character = $pattern[$i];
            if ($character !== '[' && $character !== '{') {
                $tokens[] = match ($character) {
                    '?' => ['any', ''],
                    '*' => ['run', ''],
                    default => ['is', $character],
                };

                continue;
            }
            $close = strpos($pattern, $character === '[' ? ']' : '}', $i);
            if ($close === false) {
                throw Malformed::at($i, "\"{$character}\" is not closed", self::CLAUSE);
            }
            $inside = substr($pattern, $i + 1, $close - $i - 1);
            $tokens[] = $character === '{' ? ['either', explode(',', $inside)] : self::set($inside);
            $i = $close;
        }

        return new self($tokens);
    }

    /** @return list<string>|null what each wildcard stands for in the address; null where it does not fit */
    public function taken(string $address): ?array
    {
        /** @var list<array<int, int>> $reached place before each token, by the place after it */
        $reached = [];
        $places = [0 => 0];
        foreach ($this->tokens as [$kind, $what]) {
            $next = [];
            foreach (array_keys($places) as $place) {
                foreach (self::step($kind, $what, $address, $place) as $after) {
                    $next[$after] ??= $place;
                }
            }
            $reached[] = $places = $next;
        }
        $end = \strlen($address);
        if (! isset($places[$end])) {
            return null;
        }
        $taken = [];
        for ($i = \count($this->tokens) - 1; $i >= 0; --$i) {
            $begin = $reached[$i][$end];
            if ($this->tokens[$i][0] !== 'is') {
                array_unshift($taken, substr($address, $begin, $end - $begin));
            }
            $end = $begin;
        }

        return $taken;
    }

    public function matches(string $address): bool
    {
        /** @var array<int, true> $places in the address that the pattern so far can reach */
        $places = [0 => true];
        foreach ($this->tokens as [$kind, $what]) {
            $next = [];
            foreach (array_keys($places) as $place) {
                foreach (self::step($kind, $what, $address, $place) as $reached) {
                    $next[$reached] = true;
                }
            }
            $places = $next;
        }

        return isset($places[\strlen($address)]);
    }

    /**
     * @param string|list<string> $what
     *
     * @return list<int> places after it
     */
    private static function step(string $kind, string|array $what, string $address, int $place): array
    {
        if ($kind === 'run') {
            return range($place, $place + strcspn($address, '/', $place));
        }
        if (\is_array($what)) {
            $words = array_filter(
                $what,
                static fn(string $word): bool => substr_compare($address, $word, $place, \strlen($word)) === 0,
            );

            return array_values(array_map(static fn(string $word): int => $place + \strlen($word), $words));
        }
        $character = $address[$place] ?? '';
        $fits = $character !== '' && match ($kind) {
            'is' => $character === $what,
            'any' => $character !== '/',
            'in' => $character !== '/' && str_contains($what, $character),
            default => $character !== '/' && ! str_contains($what, $character),
        };

        return $fits ? [$place + 1] : [];
    }

    /** @return array{string, string} */
    private static function set(string $inside): array
    {
        $not = str_starts_with($inside, '!');
        $characters = '';
        for ($i = $not ? 1 : 0; $i < \strlen($inside); ++$i) {
            // A hyphen at the end stands for itself.
            if (($inside[$i + 1] ?? '') === '-' && isset($inside[$i + 2])) {
                $characters .= implode('', array_map(\chr(...), range(\ord($inside[$i]), \ord($inside[$i + 2]))));
                $i += 2;
            } else {
                $characters .= $inside[$i];
            }
        }

        return [$not ? 'not in' : 'in', $characters];
    }
}
