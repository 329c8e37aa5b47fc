<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** Reads the fields of a command that came as JSON. */
final readonly class Command
{
    /** @param array<mixed> $fields */
    public function __construct(private array $fields)
    {
    }

    public function has(string $name): bool
    {
        return isset($this->fields[$name]);
    }

    /** @throws CommandRefused */
    public function word(string $name): string
    {
        $value = $this->fields[$name] ?? null;

        return \is_string($value) ? $value : throw new CommandRefused("\"{$name}\" must be a text.");
    }

    /**
     * @return list<string>
     *
     * @throws CommandRefused
     */
    public function words(string $name, int $most): array
    {
        $value = $this->fields[$name] ?? null;
        if (! \is_array($value) || \count($value) > $most) {
            throw new CommandRefused("\"{$name}\" must be a list of at most {$most} texts.");
        }

        return array_values(array_filter($value, \is_string(...)));
    }

    /** @throws CommandRefused */
    public function number(string $name, float $lowest, float $highest): float
    {
        $value = $this->fields[$name] ?? null;
        if ((! \is_int($value) && ! \is_float($value)) || $value < $lowest || $value > $highest) {
            throw new CommandRefused("\"{$name}\" must be a number from {$lowest} to {$highest}.");
        }

        return (float) $value;
    }

    /**
     * A number, a text, or true and false as 1 and 0.
     *
     * @throws CommandRefused
     */
    public function value(string $name): int|float|string
    {
        $value = $this->fields[$name] ?? null;
        if (\is_bool($value)) {
            return (int) $value;
        }

        return \is_int($value) || \is_float($value) || \is_string($value) ? $value : throw new CommandRefused("\"{$name}\" must be a number, a text, true or false.");
    }

    /** @throws CommandRefused */
    public function whole(string $name, int $lowest, int $highest, ?int $default = null): int
    {
        $value = $this->fields[$name] ?? $default;
        if (! \is_int($value) || $value < $lowest || $value > $highest) {
            throw new CommandRefused("\"{$name}\" must be a whole number from {$lowest} to {$highest}.");
        }

        return $value;
    }
}
