<?php

declare(strict_types=1);

namespace NimbleJunction\Core\State;

/**
 * Something that decides output and outlives a restart. It says part by part what has changed, so that the rest costs
 * nothing.
 */
interface Room
{
    /** @return string its name in what is written down */
    public function key(): string;

    /** @return array<string, int> a number for each part that has something to keep: another one when it has changed */
    public function revisions(): array;

    /**
     * @param string $part one of those
     *
     * @return array<mixed>|int|float|string|bool ready for JSON
     */
    public function kept(string $part, int $now): array|int|float|string|bool;
}
