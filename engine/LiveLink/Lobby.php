<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

/** Those who have connected and not yet shown a token: few in all, and fewer from one address. */
final class Lobby
{
    private const MOST = 64;
    private const MOST_OF_ONE = 16;

    /** @var array<string, int> how many, by address */
    private array $waiting = [];

    public function enter(string $address): bool
    {
        if (array_sum($this->waiting) >= self::MOST || ($this->waiting[$address] ?? 0) >= self::MOST_OF_ONE) {
            return false;
        }
        $this->waiting[$address] = ($this->waiting[$address] ?? 0) + 1;

        return true;
    }

    public function leave(string $address): void
    {
        if (isset($this->waiting[$address]) && --$this->waiting[$address] <= 0) {
            unset($this->waiting[$address]);
        }
    }
}
