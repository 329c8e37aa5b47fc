<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** What one step, or one condition, of a route keeps in mind from one value to the next. */
final class Mind
{
    /** When a step that goes on by itself is to do so; PHP_INT_MAX for not at all. */
    public int $wakeAt = \PHP_INT_MAX;

    /** @var array<string, int> when something was, on the junction's clock, by name: not kept over a restart */
    public array $times = [];

    /** @param array<string, float> $kept by name */
    public function __construct(public array $kept = [])
    {
    }

    public function get(string $name, float $usual = 0.0): float
    {
        return $this->kept[$name] ?? $usual;
    }

    public function has(string $name): bool
    {
        return isset($this->kept[$name]);
    }

    public function keep(string $name, float $value): void
    {
        $this->kept[$name] = $value;
    }

    public function forget(string $name): void
    {
        unset($this->kept[$name], $this->times[$name]);
    }
}
