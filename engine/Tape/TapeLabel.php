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
    ) {
    }

    /** @param array<mixed> $kept read with suspicion: the file may be anybody's */
    public static function read(string $id, array $kept, int $made, int $bytes): self
    {
        $number = static fn(string $name): float => \is_int($kept[$name] ?? null) || \is_float($kept[$name] ?? null) ? max(0.0, (float) $kept[$name]) : 0.0;
        $name = \is_string($kept['name'] ?? null) ? mb_substr($kept['name'], 0, self::LONGEST_NAME) : '';

        return new self($id, $name === '' ? $id : $name, $made, $bytes, $number('seconds'), (int) $number('packets'), $number('from'), $number('to'), ($kept['loops'] ?? false) === true);
    }

    /** @return array<string, mixed> */
    public function kept(): array
    {
        return ['name' => $this->name, 'seconds' => $this->seconds, 'packets' => $this->packets, 'from' => $this->from, 'to' => $this->to, 'loops' => $this->loops];
    }

    public function called(string $name): self
    {
        return new self($this->id, $name, $this->made, $this->bytes, $this->seconds, $this->packets, $this->from, $this->to, $this->loops);
    }

    public function cut(float $from, float $to): self
    {
        return new self($this->id, $this->name, $this->made, $this->bytes, $this->seconds, $this->packets, $from, $to, $this->loops);
    }

    public function looped(bool $loops): self
    {
        return new self($this->id, $this->name, $this->made, $this->bytes, $this->seconds, $this->packets, $this->from, $this->to, $loops);
    }

    /** Where playing ends, in seconds. */
    public function ends(): float
    {
        return $this->to > $this->from ? $this->to : max($this->seconds, $this->from);
    }
}
