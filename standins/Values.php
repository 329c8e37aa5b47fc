<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

/** Reads what a panel sends, and says what is allowed when it does not fit. */
final class Values
{
    /** @param array<mixed> $values */
    public static function whole(array $values, string $name, int $lowest, int $highest): int
    {
        $value = $values[$name] ?? null;
        if (! \is_int($value) || $value < $lowest || $value > $highest) {
            throw new \InvalidArgumentException("\"{$name}\" must be a whole number from {$lowest} to {$highest}.");
        }

        return $value;
    }

    /** @param array<mixed> $values */
    public static function number(array $values, string $name, float $lowest, float $highest): float
    {
        $value = $values[$name] ?? null;
        if (! (\is_int($value) || \is_float($value)) || $value < $lowest || $value > $highest) {
            throw new \InvalidArgumentException("\"{$name}\" must be a number from {$lowest} to {$highest}.");
        }

        return (float) $value;
    }

    /** @param array<mixed> $values */
    public static function flag(array $values, string $name): bool
    {
        $value = $values[$name] ?? null;

        return \is_bool($value) ? $value : throw new \InvalidArgumentException("\"{$name}\" must be true or false.");
    }

    /**
     * @param array<mixed> $values
     * @param list<string> $words
     */
    public static function word(array $values, string $name, array $words): string
    {
        $value = $values[$name] ?? null;

        return \is_string($value) && \in_array($value, $words, true)
            ? $value
            : throw new \InvalidArgumentException("\"{$name}\" must be one of: ".implode(', ', $words).'.');
    }
}
