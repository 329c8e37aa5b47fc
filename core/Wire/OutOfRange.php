<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/** A number that cannot be written in a format: says which, what it was and what is allowed. */
final class OutOfRange extends \InvalidArgumentException
{
    private function __construct(string $message)
    {
        parent::__construct($message);
    }

    public static function check(string $what, int $value, int $lowest, int $highest): int
    {
        if ($value < $lowest || $value > $highest) {
            throw new self("{$what} {$value} does not exist: use {$lowest} to {$highest}.");
        }

        return $value;
    }

    public static function notSpelled(string $what, string $text, string $like): self
    {
        return new self("\"{$text}\" is no {$what}: write it like {$like}.");
    }

    public static function dropped(int $minute, int $frame): self
    {
        return new self(
            "Frame {$frame} of minute {$minute} does not exist: drop frame leaves out frames 0 and 1 of each minute that is not a multiple of ten.",
        );
    }
}
