<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk\Grammar;

/** A word of a line as it was typed, and where it stands. */
final readonly class Typed
{
    /** @param int $at in letters from the beginning of the line */
    public function __construct(public string $text, public int $at, public bool $isQuoted = false)
    {
    }

    /** @return list<self> words with spaces between; what stands in quotes is one of them */
    public static function of(string $line): array
    {
        preg_match_all('#"([^"]*)"?|[^\s"]+#u', $line, $found, \PREG_SET_ORDER | \PREG_OFFSET_CAPTURE);

        return array_map(static function (array $one) use ($line): self {
            $isQuoted = isset($one[1]);

            return new self($isQuoted ? $one[1][0] : $one[0][0], mb_strlen(substr($line, 0, $one[0][1])), $isQuoted);
        }, $found);
    }
}
