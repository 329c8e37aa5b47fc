<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/**
 * A form of lines as an integrator writes it: words in their order, values in braces, and in brackets what may be left out:
 *     make cue {cue: 1-999.9} [called {name: text}] [in {time: 0-60} {unit: seconds|minutes}]
 */
final readonly class FormPattern
{
    public const RULE = 'Write words in their order; values in braces, as {cue: 1-999}, {cue: 0.1-99.9}, {side: left|right} or {name: text}; and in brackets what may be left out.';
    private const TOKEN = '#\G\s*(?:(?<open>\[)|(?<close>\])|\{(?<name>[a-z][a-z0-9-]{0,30})\s*:\s*(?<what>[^{}]{1,400})\}|(?<word>[^\s\[\]{}"]+))#u';
    private const RANGE = '#^(-?\d{1,9}(?:\.(\d{1,6}))?)\s*-\s*(-?\d{1,9}(?:\.(\d{1,6}))?)$#D';

    /**
     * @param list<Piece|list<Piece>> $pieces those in a list of their own may be left out
     * @param string $problem '' where it is one
     */
    private function __construct(public array $pieces, public string $problem)
    {
    }

    public static function read(string $text): self
    {
        $pieces = $names = [];
        $inside = null;
        $at = 0;
        $length = \strlen(rtrim($text));
        while ($at < $length) {
            if (preg_match(self::TOKEN, $text, $found, \PREG_UNMATCHED_AS_NULL, $at) !== 1) {
                return new self([], 'it cannot be read from "'.mb_substr(ltrim(substr($text, $at)), 0, 20).'" on');
            }
            $at += \strlen((string) $found[0]);
            if ($found['open'] !== null || $found['close'] !== null) {
                if (($found['open'] !== null) !== ($inside === null)) {
                    return new self([], 'brackets do not stand within each other, and each has its other half');
                }
                if ($inside === []) {
                    return new self([], 'there is nothing in a pair of brackets');
                }
                $pieces = $inside === null ? $pieces : [...$pieces, $inside];
                $inside = $inside === null ? [] : null;

                continue;
            }
            $piece = $found['name'] !== null
                ? self::slot((string) $found['name'], trim((string) $found['what']))
                : new FixedWord((string) $found['word']);
            $name = $piece?->name() ?? '';
            if ($piece === null || isset($names[$name])) {
                return new self(
                    [],
                    $piece === null
                        ? "{{$found['name']}} says \"".trim((string) $found['what']).'"'
                        : "{{$name}} stands there twice",
                );
            }
            if ($name !== '') {
                $names[$name] = true;
            }
            $inside === null ? $pieces[] = $piece : $inside[] = $piece;
        }

        return new self($pieces, match (true) {
            $inside !== null => 'a bracket is not closed',
            ! ($pieces[0] ?? null) instanceof FixedWord => 'it does not begin with a word',
            default => '',
        });
    }

    /** @return list<string> names of its values */
    public function names(): array
    {
        $names = [];
        foreach ($this->pieces as $piece) {
            foreach (\is_array($piece) ? $piece : [$piece] as $one) {
                $names[] = $one->name();
            }
        }

        return array_values(array_filter($names, static fn(string $name): bool => $name !== ''));
    }

    private static function slot(string $name, string $what): ?Piece
    {
        if ($what === 'text') {
            return new TextSlot($name);
        }
        if (preg_match(self::RANGE, $what, $found) === 1) {
            $digits = max(\strlen($found[2]), \strlen($found[4] ?? ''));

            return (float) $found[1] <= (float) $found[3]
                ? new NumberSlot($name, (float) $found[1], (float) $found[3], $digits)
                : null;
        }
        $words = array_map(trim(...), explode('|', $what));
        $isRight = array_filter($words, static fn(string $word): bool => preg_match('#^[^\s"]+$#Du', $word) !== 1) === [];

        return $isRight && \count($words) > 1 ? new ChoiceSlot($name, $words) : null;
    }
}
