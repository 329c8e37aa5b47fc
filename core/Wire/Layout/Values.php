<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** What the fields of a layout say, by their names. */
final readonly class Values
{
    /** @param array<string, int|string> $values */
    public function __construct(private array $values)
    {
    }

    public function int(string $name): int
    {
        return (int) ($this->values[$name] ?? 0);
    }

    /** Text, a dotted address, or bytes as they are. */
    public function text(string $name): string
    {
        return (string) ($this->values[$name] ?? '');
    }

    /** @return list<int> */
    public function numbers(string $name): array
    {
        $bytes = $this->text($name);

        return $bytes === '' ? [] : array_map(\ord(...), str_split($bytes));
    }
}
