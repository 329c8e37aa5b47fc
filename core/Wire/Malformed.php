<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire;

/**
 * A packet that breaks its format. Carries what is wrong, at which byte, and
 * the clause that says so; whoever decodes catches it, counts it and drops
 * the packet.
 */
final class Malformed extends \RuntimeException
{
    private function __construct(
        public readonly string $reason,
        public readonly int $offset,
        public readonly string $clause,
    ) {
        parent::__construct("{$reason} (byte {$offset}; {$clause})");
    }

    public static function at(int $offset, string $reason, string $clause): self
    {
        return new self($reason, $offset, $clause);
    }

    /** @param int $needed length in bytes that the format asks for */
    public static function tooShort(string $what, int $needed, int $got, string $clause): self
    {
        return new self("{$what} takes at least {$needed} bytes, {$got} arrived", $got, $clause);
    }

    public static function outside(string $field, int $value, int $lowest, int $highest, int $offset, string $clause): self
    {
        return new self("{$field} is {$value}, allowed is {$lowest} to {$highest}", $offset, $clause);
    }
}
