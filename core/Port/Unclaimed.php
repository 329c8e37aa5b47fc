<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

/** Frames that arrive for a universe number that no port of the show asks for: the usual off-by-one, made visible. */
final class Unclaimed
{
    private const MOST = 32;

    /** @var array<string, array{name: string, number: int, from: string, count: int, at: int}> */
    public array $heard = [];

    /** @return bool whether it is the first of its kind */
    public function heard(string $name, int $number, string $from, int $now): bool
    {
        $key = "{$name} {$from}";
        $first = ! isset($this->heard[$key]);
        if ($first && \count($this->heard) >= self::MOST) {
            array_shift($this->heard);
        }
        $this->heard[$key] = [
            'name' => $name,
            'number' => $number,
            'from' => $from,
            'count' => ($this->heard[$key]['count'] ?? 0) + 1,
            'at' => $now,
        ];

        return $first;
    }
}
