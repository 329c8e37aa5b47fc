<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** An event nearly fits a trigger or a condition: the one reason why it does not, in words. */
final readonly class Missed
{
    /**
     * @param array<string, mixed> $relax fields of the part with which it would have fitted, null for one that is left out; empty where none would do
     * @param string $part where the part stands in its route, like "when/0" or "if/2"
     */
    public function __construct(public string $reason, public array $relax = [], public string $part = '')
    {
    }

    public function at(string $part): self
    {
        return new self($this->reason, $this->relax, $part);
    }
}
