<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Rooms;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Engine\Surfaces\SentAway;
use Revolt\EventLoop;

/**
 * Keeps the state for a restart: what somebody did at once, levels and counts once a second. Only what has changed is put into
 * words again, a little at each look, and writing takes no more than a small part of the time, however large the show is: no
 * frame waits for it. Where the machine has a folder in its memory, all of it goes there, and onto the disk only what somebody
 * did, within a second, and the rest once a minute: a disk is not worn by levels.
 */
final class StateKeeper
{
    private const LOOK_SECONDS = 0.05;
    /** What is put into words at one look takes no longer; a frame may wait for so long. */
    private const SLICE_NANOS = 1_500_000;
    private const LEVELS_NANOS = 1_000_000_000;
    private const DISK_DEEDS_NANOS = 1_000_000_000;
    private const DISK_LEVELS_NANOS = 60_000_000_000;

    /** Writing takes at most this part of the time. */
    private const SHARE = 25;

    /** Where somebody waits for it: a hold, a value. */
    private const DEEDS_SHARE = 5;

    /** @var array<string, array<string, array{int, string}>> revision and JSON, by room and part */
    private array $parts = [];

    /** Whether all that there is has been put into words once. */
    private bool $isWhole = false;

    /** @var array<string, array<string, int>> revisions that are written down, by room */
    private array $written = [];
    private int $writtenAt = 0;

    /** How long the last writing took. */
    private int $cost = 0;
    private string $callback = '';
    private int $onDiskAt = 0;

    /** @var array<string, array<int|string, int>> revisions of levels and counts that are on the disk, by room */
    private array $onDisk = [];

    /** @var array<string, array<int|string, int>> the same of what somebody did */
    private array $deedsOnDisk = [];

    /**
     * @param SentAway $sentAway what is kept besides of what somebody did
     * @param StateFile|null $inMemory a second file that wears no disk, and is gone when the machine is; null where there is no place for one
     */
    public function __construct(
        private readonly Junction $junction,
        private readonly StateFile $file,
        private readonly SentAway $sentAway = new SentAway(),
        private readonly ?StateFile $inMemory = null,
    ) {
    }

    /** What was there before: the junction goes on with it. */
    public function restore(int $now): void
    {
        ['state' => $state, 'away' => $away] = $this->newest();
        $this->junction->restore($state, $now, $away);
        $this->sentAway->restore((new Stored($state))->part('sentAway'));
    }

    /** @return array{state: array<mixed>, away: int} of the two that are kept */
    private function newest(): array
    {
        $onDisk = $this->file->read();
        $inMemory = $this->inMemory?->read() ?? ['state' => [], 'away' => 0];
        $isNewer = $inMemory['state'] !== [] && ($onDisk['state'] === [] || $inMemory['away'] <= $onDisk['away']);

        return $isNewer ? $inMemory : $onDisk;
    }

    public function start(): void
    {
        $this->callback = EventLoop::repeat(self::LOOK_SECONDS, $this->look(...));
    }

    /** It is over: all is written down, for its time too. */
    public function stop(): void
    {
        EventLoop::cancel($this->callback);
        $this->write((int) hrtime(true), true);
    }

    /** Writes what has to be written by now. */
    public function look(): void
    {
        $now = (int) hrtime(true);
        $since = $now - $this->writtenAt;
        $rooms = $this->rooms();
        $isDue = ($since >= self::DEEDS_SHARE * $this->cost && $this->hasChanged($rooms->deeds))
            || ($since >= max(self::LEVELS_NANOS, self::SHARE * $this->cost)
                && ($this->hasChanged($rooms->levels) || $this->hasChanged($rooms->counts)))
            || $this->isDiskDue($now, $rooms);
        if ($isDue) {
            $this->write($now, ! $this->isWhole);
        } elseif ($this->isWhole) {
            $this->slice($now, $rooms->levels);
        }
    }

    private function rooms(): Rooms
    {
        $rooms = $this->junction->rooms();

        return new Rooms($rooms->levels, $rooms->counts, [...$rooms->deeds, $this->sentAway]);
    }

    /** @param bool $isFresh everything as it is at this moment; otherwise levels may be as they were some looks ago */
    private function write(int $now, bool $isFresh): void
    {
        $rooms = $this->rooms();
        $json = [];
        foreach ($rooms->levels as $room) {
            $json[] = $this->encoded($room, $now, true, $isFresh);
        }
        foreach ($rooms->counts as $room) {
            $json[] = $this->encoded($room, $now, true, true);
        }
        foreach ($rooms->deeds as $room) {
            // They say how long something still lasts, which is another time at each writing.
            $json[] = $this->encoded($room, $now, false, true);
        }
        $this->isWhole = true;
        if (! $this->keep('{'.implode(',', $json).'}', $rooms, $now, $isFresh)) {
            // It is tried again.
            $this->written = [];
        }
        $this->writtenAt = $now;
        $this->cost = (int) hrtime(true) - $now;
    }

    /** @return bool whether it is written where it is read first */
    private function keep(string $json, Rooms $rooms, int $now, bool $isLast): bool
    {
        if ($this->inMemory === null) {
            return $this->file->keep($json);
        }
        $isKept = $this->inMemory->keep($json);
        if (! $isLast && ! $this->isDiskDue($now, $rooms)) {
            return $isKept;
        }
        $this->onDiskAt = $now;
        $isOnDisk = $this->file->keep($json);
        if ($isOnDisk) {
            $this->onDisk = self::revisions([...$rooms->levels, ...$rooms->counts]);
            $this->deedsOnDisk = self::revisions($rooms->deeds);
        }

        return $isKept || $isOnDisk;
    }

    /** Only where the disk is not written anyway. */
    private function isDiskDue(int $now, Rooms $rooms): bool
    {
        $since = $now - $this->onDiskAt;

        return $this->inMemory !== null
            && $since >= self::DISK_DEEDS_NANOS
            && (self::revisions($rooms->deeds) !== $this->deedsOnDisk
                || ($since >= self::DISK_LEVELS_NANOS && self::revisions([...$rooms->levels, ...$rooms->counts]) !== $this->onDisk));
    }

    /**
     * @param list<Room> $rooms
     *
     * @return array<string, array<int|string, int>>
     */
    private static function revisions(array $rooms): array
    {
        $revisions = [];
        foreach ($rooms as $room) {
            $revisions[$room->key()] = $room->revisions();
        }

        return $revisions;
    }

    /**
     * Puts some of what has changed into words, those first that were so longest ago.
     *
     * @param list<Room> $rooms
     */
    private function slice(int $now, array $rooms): void
    {
        $ends = $now + self::SLICE_NANOS;
        foreach ($rooms as $room) {
            $key = $room->key();
            $revisions = $room->revisions();
            foreach ($this->parts[$key] ?? [] as $part => [$known]) {
                $revision = $revisions[$part] ?? $known;
                if ($revision === $known) {
                    continue;
                }
                // At the end of the line: the others have their turn first.
                unset($this->parts[$key][$part]);
                $this->parts[$key][$part] = [$revision, self::json($room->kept((string) $part, $now))];
                if (hrtime(true) >= $ends) {
                    return;
                }
            }
        }
    }

    /** @param list<Room> $rooms */
    private function hasChanged(array $rooms): bool
    {
        foreach ($rooms as $room) {
            if ($room->revisions() !== ($this->written[$room->key()] ?? [])) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param bool $isReused what is in words already needs not be put into words again
     * @param bool $isFresh unless it has changed since
     */
    private function encoded(Room $room, int $now, bool $isReused, bool $isFresh): string
    {
        $key = $room->key();
        $revisions = $room->revisions();
        $known = $isReused ? $this->parts[$key] ?? [] : [];
        $parts = [];
        $written = [];
        $json = [];
        foreach ($revisions as $part => $revision) {
            // An id of digits alone is a whole number to PHP.
            $part = (string) $part;
            $isUsed = isset($known[$part]) && (! $isFresh || $known[$part][0] === $revision);
            $parts[$part] = $isUsed ? $known[$part] : [$revision, self::json($room->kept($part, $now))];
            $written[$part] = $parts[$part][0];
            $json[] = self::json($part).':'.$parts[$part][1];
        }
        if ($isReused) {
            // In the order in which they were put into words: the oldest are the next.
            $this->parts[$key] = array_replace(array_intersect_key($known, $parts), $parts);
        } else {
            $this->parts[$key] = [];
        }
        $this->written[$key] = $written;

        return self::json($key).':{'.implode(',', $json).'}';
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
