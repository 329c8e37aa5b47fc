<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Discovery;

use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Signal\Sighting;

/** One device that said that it is there, with the universes that it gives and takes. */
final class Neighbour
{
    /** As many as a thousand pages of a node, or two of a source, could name in earnest. */
    private const MOST_NUMBERS = 1024;

    /** @var array<int, int> when it last named each universe that it gives, by number */
    private array $gives = [];

    /** @var array<int, int> */
    private array $takes = [];
    public string $name = '';
    public string $address = '';
    public string $details = '';
    public int $heardAt = 0;

    public function __construct(public readonly string $key, public readonly Protocol $protocol)
    {
    }

    public function seen(Sighting $sighting, int $now): void
    {
        $this->name = mb_substr($sighting->name, 0, 120);
        $this->address = $sighting->address;
        $this->details = mb_substr($sighting->details, 0, 240);
        $this->heardAt = $now;
        $this->gives = self::named($this->gives, $sighting->gives, $now);
        $this->takes = self::named($this->takes, $sighting->takes, $now);
    }

    /**
     * What was named longest ago gives way, so that no sender makes a list without end.
     *
     * @param array<int, int> $known
     * @param list<int> $numbers
     *
     * @return array<int, int>
     */
    private static function named(array $known, array $numbers, int $now): array
    {
        foreach (\array_slice($numbers, 0, self::MOST_NUMBERS) as $number) {
            unset($known[$number]);
            $known[$number] = $now;
        }

        return \array_slice($known, -self::MOST_NUMBERS, null, true);
    }

    /** Several polls, or two and a half discovery packets, without a word (common practice, no source). */
    public function patienceNanos(): int
    {
        return $this->protocol === Protocol::Sacn ? 25_000_000_000 : 9_000_000_000;
    }

    public function isLost(int $now): bool
    {
        return $now - $this->heardAt > $this->patienceNanos();
    }

    /** @return list<int> in rising order; what it no longer names is left out */
    public function gives(int $now): array
    {
        return $this->fresh($this->gives, $now);
    }

    /** @return list<int> */
    public function takes(int $now): array
    {
        return $this->fresh($this->takes, $now);
    }

    /**
     * @param array<int, int> $named
     *
     * @return list<int>
     */
    private function fresh(array $named, int $now): array
    {
        // What a lost device named last stays, so that one can see what is missing.
        $since = min($now, $this->heardAt) - $this->patienceNanos();
        $numbers = array_keys(array_filter($named, static fn(int $at): bool => $at >= $since));
        sort($numbers);

        return $numbers;
    }
}
