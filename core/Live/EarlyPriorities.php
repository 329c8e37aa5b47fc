<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Merge\SlotPriorities;

/** Priorities of single slots that came before the first levels of their sender: kept for a moment, until those are there. */
final class EarlyPriorities
{
    private const MOST = 256;

    /** @var array<string, array{string, int}> priorities and when they came, by universe and source */
    private array $kept = [];

    public function keep(string $key, string $priorities, int $now): void
    {
        unset($this->kept[$key]);
        if (\count($this->kept) >= self::MOST) {
            array_shift($this->kept);
        }
        $this->kept[$key] = [$priorities, $now];
    }

    /** @return string '' when there are none, or they are too old */
    public function take(string $key, int $now): string
    {
        [$priorities, $at] = $this->kept[$key] ?? ['', 0];
        unset($this->kept[$key]);

        return $now - $at < SlotPriorities::LOST_NANOS ? $priorities : '';
    }
}
