<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Actions wait, and go on at a place among them. */
final readonly class Pause
{
    /** @param non-empty-list<int> $place by their numbers, from the outermost action to the one within, from 0 */
    public function __construct(public float $seconds, public array $place)
    {
    }

    /** The same, seen from the action that it is within. */
    public function within(int $number): self
    {
        return new self($this->seconds, [$number, ...$this->place]);
    }
}
