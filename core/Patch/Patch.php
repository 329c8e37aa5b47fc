<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Which fixture listens where, and what that says about the slots of a universe. */
final readonly class Patch
{
    public const SLOTS = 512;

    /** @var array<string, list<Fixture>> by universe */
    private array $byUniverse;

    /** @var array<string, list<Run>> by universe */
    private array $runs;

    /**
     * @param array<string, Profile> $profiles by id
     * @param array<string, Fixture> $fixtures by id; each with a profile that is there
     * @param list<Run> $runs what else listens
     */
    public function __construct(
        public array $profiles,
        public array $fixtures,
        public Groups $groups = new Groups(),
        array $runs = [],
    ) {
        $byUniverse = [];
        foreach ($fixtures as $fixture) {
            $byUniverse[$fixture->universeId][] = $fixture;
        }
        $this->byUniverse = $byUniverse;
        $byUniverse = [];
        foreach ($runs as $run) {
            $byUniverse[$run->fixture()->universeId][] = $run;
        }
        $this->runs = $byUniverse;
    }

    public function footprint(Fixture $fixture): Footprint
    {
        return $this->profiles[$fixture->profileId]->mode($fixture->modeId)->footprint;
    }

    public function lastSlot(Fixture $fixture): int
    {
        foreach ($fixture->profileId === '' ? $this->runsIn($fixture->universeId) : [] as $run) {
            if (self::isSame($run->fixture(), $fixture)) {
                return $run->last();
            }
        }

        return $fixture->first + $this->footprint($fixture)->slots - 1;
    }

    /** @return string 512 bytes, 255 where a parameter lies of which the latest takes precedence */
    public function latest(string $universeId): string
    {
        $latest = str_repeat("\0", self::SLOTS);
        foreach ($this->in($universeId) as $fixture) {
            $footprint = $this->footprint($fixture);
            $own = $footprint->latest;
            foreach ($fixture->precedences as $one) {
                $placed = $footprint->find($one->parameter);
                if ($placed === null) {
                    continue;
                }
                foreach ($placed->slots as $slot) {
                    $own[$slot - 1] = $one->precedence->takesHighest($placed->parameter->kind) ? "\0" : "\xFF";
                }
            }
            $latest = self::laid($latest, $fixture, $own);
        }
        foreach ($this->runsIn($universeId) as $run) {
            $latest = self::laid($latest, $run->fixture(), str_repeat("\xFF", $run->last() - $run->fixture()->first + 1));
        }

        return $latest;
    }

    /** @return string 512 bytes: the level of each slot while nobody gives it one */
    public function defaults(string $universeId): string
    {
        $defaults = str_repeat("\0", self::SLOTS);
        foreach ($this->in($universeId) as $fixture) {
            $defaults = self::laid($defaults, $fixture, $this->footprint($fixture)->defaults);
        }

        return $defaults;
    }

    /** @return string 512 bytes: 255 in the slots that are never driven */
    public function never(string $universeId): string
    {
        $never = str_repeat("\0", self::SLOTS);
        foreach ($this->in($universeId) as $fixture) {
            $never = self::laid($never, $fixture, $this->footprint($fixture)->never);
        }

        return $never;
    }

    /** @return list<list<int>> the slots, from 0, of every parameter that takes several, the coarsest first */
    public function wide(string $universeId): array
    {
        $wide = [];
        foreach ($this->in($universeId) as $fixture) {
            foreach ($this->footprint($fixture)->wide as $slots) {
                $wide[] = array_map(static fn(int $slot): int => $fixture->first - 1 + $slot, $slots);
            }
        }
        foreach ($this->runsIn($universeId) as $run) {
            foreach ($run->wide() as $slots) {
                $wide[] = array_map(static fn(int $slot): int => $run->fixture()->first - 2 + $slot, $slots);
            }
        }

        return $wide;
    }

    /** @return list<array{Placement, Placement, Calibration}> pan and tilt of every fixture that is calibrated */
    public function aimed(string $universeId): array
    {
        $aimed = [];
        foreach ($this->in($universeId) as $fixture) {
            $found = [];
            foreach ($fixture->calibration === null ? [] : $this->footprint($fixture)->placed as $placed) {
                $found[$placed->parameter->role->value ?? ''] ??= new Placement($fixture, $placed);
            }
            if ($fixture->calibration !== null && isset($found['pan'], $found['tilt'])) {
                $aimed[] = [$found['pan'], $found['tilt'], $fixture->calibration];
            }
        }

        return $aimed;
    }

    /** Those of the fixtures in a universe that have only colours. */
    public function intensities(string $universeId): Intensities
    {
        return new Intensities($this, $universeId);
    }

    /**
     * What a slot means.
     *
     * @param int $slot 1 to 512
     *
     * @return list<array{Fixture, Placed}> of every fixture that listens there
     */
    public function at(string $universeId, int $slot): array
    {
        $found = [];
        if (Intensities::areAt($universeId)) {
            foreach ($this->intensities(Intensities::universe($universeId))->placements as $placement) {
                if (\in_array($slot - 1, $placement->slots, true)) {
                    $found[] = [$placement->fixture, $placement->placed];
                }
            }

            return $found;
        }
        foreach ($this->in($universeId) as $fixture) {
            $inside = $slot - $fixture->first + 1;
            $footprint = $this->footprint($fixture);
            if ($inside < 1 || $inside > $footprint->slots) {
                continue;
            }
            foreach ($footprint->placed as $placed) {
                if (\in_array($inside, $placed->slots, true)) {
                    $found[] = [$fixture, $placed];
                }
            }
        }
        foreach ($this->runsIn($universeId) as $run) {
            $placed = $slot < $run->fixture()->first || $slot > $run->last() ? null : $run->at($slot);
            if ($placed !== null) {
                $found[] = [$run->fixture(), $placed];
            }
        }

        return $found;
    }

    /**
     * A slot as people say it.
     *
     * @param int $slot 1 to 512
     * @param string $where what the slot is called by number
     *
     * @return string "Lantern, level (slot 5 of Palm House)"; its number alone where nothing is known to listen
     */
    public function said(string $universeId, int $slot, string $where): string
    {
        $listening = array_map(
            static fn(array $one): string => "{$one[0]->name}, {$one[1]->name}",
            $this->at($universeId, $slot),
        );

        return $listening === [] ? $where : implode(' and ', $listening)." ({$where})";
    }

    /** The same of a run: a whole parameter, or one fixture's slots, has its name. */
    public function saidOfRun(string $universeId, int $first, int $last, string $where): string
    {
        $names = [];
        foreach ($this->at($universeId, $first) as [$fixture, $placed]) {
            if ($last > $this->lastSlot($fixture)) {
                return $where;
            }
            $isNamed = \in_array($last - $fixture->first + 1, $placed->slots, true);
            $names[] = $isNamed ? "{$fixture->name}, {$placed->name}" : $fixture->name;
        }

        return match (true) {
            $names === [] => $where,
            Intensities::areAt($universeId) => implode(' and ', $names),
            default => implode(' and ', $names)." ({$where})",
        };
    }

    /** @return list<string> ids of the fixtures of a group that have a parameter, in their order */
    public function having(string $groupId, string $parameter): array
    {
        return array_values(array_filter(
            $this->groups->fixtures($groupId),
            fn(string $id): bool => $this->find($id, $parameter) !== null,
        ));
    }

    /** Where a parameter lies; null when there is no such fixture or parameter. */
    public function find(string $fixtureId, string $parameter): ?Placement
    {
        $fixture = $this->fixtures[$fixtureId] ?? null;
        $placed = $fixture === null || ! isset($this->profiles[$fixture->profileId])
            ? null
            : $this->footprint($fixture)->find($parameter);

        return $fixture === null || $placed === null ? null : new Placement($fixture, $placed);
    }

    /**
     * The next address at which so many slots are free: after the last fixture, or else in the first gap.
     *
     * @param string $without id of a fixture that does not count: it is the one that wants to go there
     *
     * @return int|null null when there is no such room
     */
    public function nextFree(string $universeId, int $slots = 1, string $without = ''): ?int
    {
        $taken = [];
        $last = 0;
        foreach ($this->listening($universeId) as $fixture) {
            if ($fixture->id === $without) {
                continue;
            }
            $taken += array_fill_keys(range($fixture->first, $this->lastSlot($fixture)), true);
            $last = max($last, $this->lastSlot($fixture));
        }
        if ($last + $slots <= self::SLOTS) {
            return $last + 1;
        }
        $run = 0;
        for ($slot = 1; $slot <= self::SLOTS; ++$slot) {
            $run = isset($taken[$slot]) ? 0 : $run + 1;
            if ($run === $slots) {
                return $slot - $slots + 1;
            }
        }

        return null;
    }

    /** @return list<Fixture> that share slots with this one, meant or not; what else listens too */
    public function sharing(Fixture $fixture): array
    {
        $last = $this->lastSlot($fixture);

        return array_values(array_filter(
            $this->listening($fixture->universeId),
            fn(Fixture $other): bool => ! self::isSame($other, $fixture)
                && $other->first <= $last
                && $fixture->first <= $this->lastSlot($other),
        ));
    }

    /**
     * The same of all at once, in the order of their addresses.
     *
     * @return list<array{Fixture, int, list<Fixture>}> each with its last slot, and those that share slots with it
     */
    public function shared(string $universeId): array
    {
        $all = $this->listening($universeId);
        usort($all, static fn(Fixture $a, Fixture $b): int => $a->first <=> $b->first);
        $sharing = [];
        foreach ($all as $i => $one) {
            for ($k = $i + 1; isset($all[$k]) && $all[$k]->first <= $this->lastSlot($one); ++$k) {
                $sharing[$i][] = $all[$k];
                $sharing[$k][] = $one;
            }
        }
        $lines = [];
        foreach ($all as $i => $one) {
            $lines[] = [$one, $this->lastSlot($one), $sharing[$i] ?? []];
        }

        return $lines;
    }

    /** Whether one of the two says that they share slots on purpose. */
    public static function isMeant(Fixture $one, Fixture $other): bool
    {
        return \in_array($other->id, $one->sharesWith, true) || \in_array($one->id, $other->sharesWith, true);
    }

    /** @return string 512 bytes: 255 in the slots at which something is known to listen */
    public function taken(string $universeId): string
    {
        $taken = str_repeat("\0", self::SLOTS);
        foreach ($this->listening($universeId) as $one) {
            $taken = self::laid($taken, $one, str_repeat("\xFF", $this->lastSlot($one) - $one->first + 1));
        }

        return $taken;
    }

    /** @return list<Fixture> */
    public function in(string $universeId): array
    {
        return $this->byUniverse[$universeId] ?? [];
    }

    /** @return list<Run> what else than fixtures listens in a universe */
    public function runsIn(string $universeId): array
    {
        return $this->runs[$universeId] ?? [];
    }

    /** What has no profile may be called as a fixture is. */
    private static function isSame(Fixture $one, Fixture $other): bool
    {
        return $one->id === $other->id && ($one->profileId === '') === ($other->profileId === '');
    }

    /** @return list<Fixture> fixtures, and what else listens */
    private function listening(string $universeId): array
    {
        return [
            ...$this->in($universeId),
            ...array_map(static fn(Run $run): Fixture => $run->fixture(), $this->runsIn($universeId)),
        ];
    }

    /** @param string $own one byte a slot of the fixture; where two lie on one another, both count */
    private static function laid(string $all, Fixture $fixture, string $own): string
    {
        $at = $fixture->first - 1;

        return substr_replace($all, $own | substr($all, $at, \strlen($own)), $at, \strlen($own));
    }
}
