<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** What is kept of cue lists over a restart. */
final readonly class KeptLists implements Room
{
    public function __construct(private Lists $lists)
    {
    }

    public function key(): string
    {
        return 'lists';
    }

    public function revisions(): array
    {
        return array_map(fn(): int => $this->lists->acts, $this->lists->live());
    }

    public function kept(string $part, int $now): array
    {
        return $this->lists->live()[$part]->kept($now);
    }

    /**
     * @param array<string, Stored> $stored by list
     * @param int $away nanoseconds since it was written down
     */
    public function restore(array $stored, int $now, int $away): void
    {
        foreach ($stored as $id => $part) {
            $this->lists->putBack((string) $id, $part, $now, $away);
        }
        $this->lists->goOn($now);
    }
}
