<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** One named piece of a packet: where its bytes are, and what they say. A piece may be made of pieces. */
final readonly class Part
{
    /**
     * @param int $offset of its first byte
     * @param int $length in bytes; 0 for what has none of its own
     * @param list<Part>|null $parts null for a single value
     * @param bool $isList whether the parts are numbered and not named
     * @param string $meaning in words, where the value alone does not say it
     */
    private function __construct(
        public string $name,
        public int $offset,
        public int $length,
        public int|float|string|bool|null $value,
        public ?array $parts,
        public bool $isList,
        public string $meaning,
    ) {
    }

    public static function value(
        string $name,
        int $offset,
        int $length,
        int|float|string|bool|null $value,
        string $meaning = '',
    ): self {
        return new self($name, $offset, $length, $value, null, false, $meaning);
    }

    /** @param list<Part> $parts each with a name of its own */
    public static function group(string $name, int $offset, int $length, array $parts, string $meaning = ''): self
    {
        return new self($name, $offset, $length, null, $parts, false, $meaning);
    }

    /** @param list<Part> $parts in their order */
    public static function list(string $name, int $offset, int $length, array $parts, string $meaning = ''): self
    {
        return new self($name, $offset, $length, null, $parts, true, $meaning);
    }

    /** What it says without the places: scalars, lists and arrays by name, ready for JSON. */
    public function plain(): mixed
    {
        if ($this->parts === null) {
            return $this->value;
        }
        if ($this->isList) {
            return array_map(static fn(self $part): mixed => $part->plain(), $this->parts);
        }
        $plain = [];
        foreach ($this->parts as $part) {
            $plain[$part->name] = $part->plain();
        }

        return $plain;
    }
}
