<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** The times at which one sender was away, and what became of its levels meanwhile. */
final class Outages
{
    /** The oldest are forgotten when there are more. */
    private const MOST = 100;

    /** @var list<array{from: int, until: int, meanwhile: string}> nanoseconds, the oldest first */
    private array $all = [];

    /** What was done since it has been gone, in words; '' while it is not lost. */
    private string $meanwhile = '';

    /** How many there have been. */
    private int $ended = 0;

    /** It is lost: what follows from that. */
    public function lost(string $meanwhile): void
    {
        $this->meanwhile = $meanwhile;
    }

    public function meanwhile(): string
    {
        return $this->meanwhile;
    }

    public function add(int $from, int $until): void
    {
        ++$this->ended;
        $this->all[] = ['from' => $from, 'until' => $until, 'meanwhile' => $this->meanwhile];
        $this->meanwhile = '';
        if (\count($this->all) > self::MOST) {
            array_shift($this->all);
        }
    }

    public function ended(): int
    {
        return $this->ended;
    }

    /** @return list<array{from: int, until: int, meanwhile: string}> */
    public function all(): array
    {
        return $this->all;
    }
}
