<?php

declare(strict_types=1);

namespace NimbleJunction\Core\State;

/** All rooms whose state is kept: of levels, of what only counts up, and of what somebody did, which is kept at once. */
final readonly class Rooms
{
    /**
     * @param list<Room> $levels
     * @param list<Room> $counts
     * @param list<Room> $deeds
     */
    public function __construct(public array $levels, public array $counts, public array $deeds)
    {
    }

    /** @return array<string, array<string, mixed>> everything, by room and part */
    public function state(int $now): array
    {
        $state = [];
        foreach ([...$this->levels, ...$this->counts, ...$this->deeds] as $room) {
            $parts = array_keys($room->revisions());
            $state[$room->key()] = array_combine(
                $parts,
                array_map(static fn(string|int $part): mixed => $room->kept((string) $part, $now), $parts),
            );
        }

        return $state;
    }
}
