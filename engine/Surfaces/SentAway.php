<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Surfaces;

use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Visits of guests who were sent away: they are refused from then on, over a restart too. */
final class SentAway implements Room
{
    /** So many are kept in mind, the last ones. */
    private const MOST = 1000;

    /** @var array<string, true> by visit */
    private array $visits = [];

    public function is(string $visit): bool
    {
        return isset($this->visits[$visit]);
    }

    /** @param string $visit '' for one that cannot be told from others: then nothing is kept */
    public function add(string $visit): void
    {
        if ($visit !== '') {
            $this->visits[$visit] = true;
            $this->visits = \array_slice($this->visits, -self::MOST, null, true);
        }
    }

    public function restore(Stored $stored): void
    {
        array_map($this->add(...), $stored->names());
    }

    public function key(): string
    {
        return 'sentAway';
    }

    public function revisions(): array
    {
        return array_map(static fn(): int => 1, $this->visits);
    }

    public function kept(string $part, int $now): bool
    {
        return true;
    }
}
