<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Which fixture listens where, and what that says about the slots of a universe. */
final readonly class Patch
{
    private const SLOTS = 512;

    /** @var array<string, list<Fixture>> by universe */
    private array $byUniverse;

    /**
     * @param array<string, Profile> $profiles by id
     * @param array<string, Fixture> $fixtures by id; each with a profile that is there
     */
    public function __construct(public array $profiles, public array $fixtures)
    {
        $byUniverse = [];
        foreach ($fixtures as $fixture) {
            $byUniverse[$fixture->universeId][] = $fixture;
        }
        $this->byUniverse = $byUniverse;
    }

    public function lastSlot(Fixture $fixture): int
    {
        return $fixture->first + $this->profiles[$fixture->profileId]->slots() - 1;
    }

    /** @return string 512 bytes, not 0 where a parameter lies that is no intensity: there the latest takes precedence */
    public function latest(string $universeId): string
    {
        $latest = str_repeat("\0", self::SLOTS);
        foreach ($this->in($universeId) as $fixture) {
            $profile = $this->profiles[$fixture->profileId];
            foreach ($profile->places() as $name => $places) {
                if ($profile->parameter((string) $name)?->isIntensity === true) {
                    continue;
                }
                foreach ($places as $place) {
                    $latest[$fixture->first - 2 + $place] = "\1";
                }
            }
        }

        return $latest;
    }

    /** @return list<list<int>> the slots, from 0, of every parameter that takes several, the coarsest first */
    public function wide(string $universeId): array
    {
        $wide = [];
        foreach ($this->in($universeId) as $fixture) {
            foreach ($this->profiles[$fixture->profileId]->places() as $places) {
                if (\count($places) > 1) {
                    $wide[] = array_map(static fn(int $place): int => $fixture->first - 2 + $place, $places);
                }
            }
        }

        return $wide;
    }

    /**
     * The slots of a universe that hold a finer part of a parameter.
     *
     * @return array<int, array{string, int}> by slot from 1: "Lantern, pan", and its coarsest slot
     */
    public function fineParts(string $universeId): array
    {
        $parts = [];
        foreach ($this->in($universeId) as $fixture) {
            foreach ($this->profiles[$fixture->profileId]->places() as $name => $places) {
                foreach (\array_slice($places, 1) as $place) {
                    $parts[$fixture->first - 1 + $place] ??= ["{$fixture->name}, {$name}", $fixture->first - 1 + $places[0]];
                }
            }
        }

        return $parts;
    }

    /**
     * The slots that a value of a parameter takes.
     *
     * @param float $value 0 to 1
     *
     * @return array{universe: string, levels: array<int, int>}|null level by slot from 1; null when there is no such parameter
     */
    public function slots(string $fixtureId, string $parameterName, float $value): ?array
    {
        $fixture = $this->fixtures[$fixtureId] ?? null;
        $profile = $fixture === null ? null : $this->profiles[$fixture->profileId];
        $parameter = $profile?->parameter($parameterName);
        if ($fixture === null || $profile === null || $parameter === null) {
            return null;
        }
        $slots = array_map(static fn(int $place): int => $fixture->first - 1 + $place, $profile->places()[$parameterName]);

        return ['universe' => $fixture->universeId, 'levels' => array_combine($slots, $parameter->levels($value))];
    }

    /**
     * Where a parameter lies.
     *
     * @return array{string, list<int>} universe, and slots from 0, the coarsest first; none when there is no such parameter
     */
    public function places(string $fixtureId, string $parameterName): array
    {
        $fixture = $this->fixtures[$fixtureId] ?? null;
        $places = $fixture === null ? [] : $this->profiles[$fixture->profileId]->places()[$parameterName] ?? [];

        return $fixture === null ? ['', []] : [$fixture->universeId, array_map(static fn(int $place): int => $fixture->first - 2 + $place, $places)];
    }

    /** The slot after the last one that is taken; null when there is none left. */
    public function nextFree(string $universeId): ?int
    {
        $last = 0;
        foreach ($this->in($universeId) as $fixture) {
            $last = max($last, $this->lastSlot($fixture));
        }

        return $last < self::SLOTS ? $last + 1 : null;
    }

    /** @return list<string> names of fixtures that share slots with this one, meant or not */
    public function sharing(Fixture $fixture): array
    {
        $names = [];
        foreach ($this->in($fixture->universeId) as $other) {
            if ($other->id !== $fixture->id && $other->first <= $this->lastSlot($fixture) && $fixture->first <= $this->lastSlot($other)) {
                $names[] = $other->name;
            }
        }

        return $names;
    }

    /** @return list<Fixture> */
    private function in(string $universeId): array
    {
        return $this->byUniverse[$universeId] ?? [];
    }
}
