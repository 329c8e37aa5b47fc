<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** A cue, with a time for it in place of its own: "2.5 in 8", "next in 0". */
final readonly class ListTime
{
    public const NEXT = 'next';
    public const IN = ' in ';
    public const RULE = 'Use the number of a cue, like 2.5, or "next"; with a time, like 2.5 in 8.';

    private const PATTERN = '/^(next|\d[\d.]*)(?: in (\d{1,4}(?:\.\d{1,6})?))?$/D';

    /** @param string $cue a number, or "next" */
    private function __construct(public string $cue, public ?Times $times)
    {
    }

    public static function parse(string $text): ?self
    {
        if (
            preg_match(self::PATTERN, trim($text), $found) !== 1
            || ($found[1] !== self::NEXT && preg_match(Cue::PATTERN, $found[1]) !== 1)
        ) {
            return null;
        }
        $seconds = isset($found[2]) ? min(Times::LONGEST, (float) $found[2]) : null;

        return new self($found[1], $seconds === null ? null : new Times($seconds, $seconds));
    }
}
