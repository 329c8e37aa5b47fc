<?php

declare(strict_types=1);

namespace NimbleJunction\Core\State;

/**
 * State that was written down before a restart, read with suspicion: what is
 * missing, of another type or out of range reads as if it had never been there.
 */
final readonly class Stored
{
    /** @param array<mixed> $fields */
    public function __construct(private array $fields)
    {
    }

    public function has(string $name): bool
    {
        return \array_key_exists($name, $this->fields);
    }

    public function text(string $name, int $longest = 256): string
    {
        $value = $this->fields[$name] ?? null;

        return \is_string($value) && \strlen($value) <= $longest ? $value : '';
    }

    public function scalar(string $name): int|float|string|null
    {
        $value = $this->fields[$name] ?? null;

        return \is_int($value) || \is_float($value) || \is_string($value) ? $value : null;
    }

    public function flag(string $name, bool $usual = false): bool
    {
        return ($this->fields[$name] ?? $usual) === true;
    }

    public function whole(string $name, int $low, int $high): ?int
    {
        $value = $this->fields[$name] ?? null;

        return \is_int($value) && $value >= $low && $value <= $high ? $value : null;
    }

    /** @return string bytes that were written as base64; '' when there are none, or not $length of them */
    public function bytes(string $name, ?int $length = null, int $longest = 4096): string
    {
        $value = $this->fields[$name] ?? null;
        $bytes = \is_string($value) && \strlen($value) <= 2 * $longest ? (string) base64_decode($value, true) : '';

        return $length === null || \strlen($bytes) === $length ? $bytes : '';
    }

    /** @return list<int> */
    public function numbers(string $name, int $most = 100_000): array
    {
        $value = $this->fields[$name] ?? null;

        return \is_array($value) ? array_values(array_filter(\array_slice($value, 0, $most), is_int(...))) : [];
    }

    /** @return list<string> */
    public function texts(string $name, int $most = 100_000): array
    {
        $value = $this->fields[$name] ?? null;

        return \is_array($value) ? array_values(array_filter(\array_slice($value, 0, $most), is_string(...))) : [];
    }

    /** @return array<string, self> by name; at most $most */
    public function parts(string $name, int $most = 100_000): array
    {
        $value = $this->fields[$name] ?? null;
        if (! \is_array($value)) {
            return [];
        }
        $parts = [];
        foreach (\array_slice($value, 0, $most, true) as $key => $part) {
            if (\is_array($part)) {
                $parts[(string) $key] = new self($part);
            }
        }

        return $parts;
    }

    /** @return array<mixed> as it stands there */
    public function list(string $name): array
    {
        $value = $this->fields[$name] ?? null;

        return \is_array($value) ? $value : [];
    }

    public function part(string $name): self
    {
        $value = $this->fields[$name] ?? null;

        return new self(\is_array($value) ? $value : []);
    }

    /** @return list<string> names of the fields */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->fields));
    }
}
