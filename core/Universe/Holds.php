<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** What is held by hand in one universe, above all merging. */
final class Holds
{
    /** @var array<int, Hold> by slot */
    private array $holds = [];

    public function set(Hold $hold): void
    {
        $this->holds[$hold->slot] = $hold;
    }

    /**
     * @param int|null $first 0 to 511; null for all
     * @param int|null $last 0 to 511; null for $first alone
     */
    public function release(?int $first = null, ?int $last = null): void
    {
        $this->holds = $first === null
            ? []
            : array_filter($this->holds, static fn(int $slot): bool => $slot < $first || $slot > ($last ?? $first), \ARRAY_FILTER_USE_KEY);
    }

    public function on(int $slot): ?Hold
    {
        return $this->holds[$slot] ?? null;
    }

    /** @return array<int, Hold> by slot */
    public function all(): array
    {
        return $this->holds;
    }

    /**
     * @param string $levels 512 bytes
     * @param string|null $mark what lies on held slots instead of their levels
     */
    public function lay(string $levels, ?string $mark = null): string
    {
        foreach ($this->holds as $slot => $hold) {
            $levels[$slot] = $mark ?? \chr($hold->level);
        }

        return $levels;
    }
}
