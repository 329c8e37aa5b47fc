<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

/** What a tape is called, how long it is, and what of it is played. */
final readonly class TapeLabel
{
    public const LONGEST_NAME = 60;

    /**
     * @param int $made seconds since 1970
     * @param float $seconds how long it is
     * @param int $packets on it
     * @param float $from seconds from its beginning, where playing begins
     * @param float $to where it ends; 0 for its end
     * @param bool $loops whether it begins again there
     * @param array<string, TapePart> $parts by id
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $made,
        public int $bytes,
        public float $seconds = 0.0,
        public int $packets = 0,
        public float $from = 0.0,
        public float $to = 0.0,
        public bool $loops = false,
        public array $parts = [],
    ) {
    }

    /** @param array<mixed> $kept read with suspicion: the file may be anybody's */
    public static function read(string $id, array $kept, int $made, int $bytes): self
    {
        $number = static fn(string $name): float => \is_int($kept[$name] ?? null) || \is_float($kept[$name] ?? null)
            ? max(0.0, (float) $kept[$name])
            : 0.0;
        $name = \is_string($kept['name'] ?? null) ? mb_substr($kept['name'], 0, self::LONGEST_NAME) : '';
        $parts = [];
        foreach (\is_array($kept['parts'] ?? null) ? \array_slice($kept['parts'], 0, TapePart::MOST) : [] as $one) {
            $part = TapePart::read($one);
            $parts = $part === null ? $parts : [...$parts, $part->id => $part];
        }

        return new self(
            $id,
            $name === '' ? $id : $name,
            $made,
            $bytes,
            $number('seconds'),
            (int) $number('packets'),
            $number('from'),
            $number('to'),
            ($kept['loops'] ?? false) === true,
            $parts,
        );
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        $parts = array_map(static fn(TapePart $part): array => $part->kept(), array_values($this->parts));

        return [
            'name' => $this->name,
            'seconds' => $this->seconds,
            'packets' => $this->packets,
            'from' => $this->from,
            'to' => $this->to,
            'loops' => $this->loops,
            'parts' => $parts,
        ];
    }

    public function called(string $name): self
    {
        return $this->but(name: $name);
    }

    public function cut(float $from, float $to): self
    {
        return $this->but(from: $from, to: $to);
    }

    public function looped(bool $loops): self
    {
        return $this->but(loops: $loops);
    }

    /** What is played of it now is a part with a name from now on; one of the same name is another one then. */
    public function withPart(string $name): self
    {
        $isTaken = fn(string $id): bool => isset($this->parts[$id]) && $this->parts[$id]->name !== $name;
        $same = array_key_first(array_filter($this->parts, static fn(TapePart $part): bool => $part->name === $name));
        $id = $same ?? TapeFolder::idFor($name, 'part', $isTaken);

        return $this->but(parts: [...$this->parts, $id => new TapePart($id, $name, $this->from, $this->to)]);
    }

    public function withoutPart(string $id): self
    {
        return $this->but(parts: array_diff_key($this->parts, [$id => true]));
    }

    /** As it is played from a part on, or as it is for none. */
    public function at(string $part): self
    {
        $one = $this->parts[$part] ?? null;

        return $one === null ? $this : $this->cut($one->from, $one->to);
    }

    /** Where playing ends, in seconds. */
    public function ends(): float
    {
        return $this->to > $this->from ? $this->to : max($this->seconds, $this->from);
    }

    /** @param array<string, TapePart>|null $parts */
    private function but(
        ?string $name = null,
        ?float $from = null,
        ?float $to = null,
        ?bool $loops = null,
        ?array $parts = null,
    ): self {
        return new self(
            $this->id,
            $name ?? $this->name,
            $this->made,
            $this->bytes,
            $this->seconds,
            $this->packets,
            $from ?? $this->from,
            $to ?? $this->to,
            $loops ?? $this->loops,
            $parts ?? $this->parts,
        );
    }
}
