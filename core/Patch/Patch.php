<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Which fixture listens where, and what that says about the slots of a universe. */
final readonly class Patch
{
    private const SLOTS = 512;

    /**
     * @param array<string, Profile> $profiles by id
     * @param array<string, Fixture> $fixtures by id; each with a profile that is there
     */
    public function __construct(public array $profiles, public array $fixtures)
    {
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
            foreach ($this->profiles[$fixture->profileId]->places() as [$parameter, $offset]) {
                if (! $parameter->isIntensity) {
                    $latest = substr_replace($latest, str_repeat("\1", $parameter->width), $fixture->first - 1 + $offset, $parameter->width);
                }
            }
        }

        return $latest;
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
        [$parameter, $offset] = $fixture === null ? [null, 0] : $this->profiles[$fixture->profileId]->places()[$parameterName] ?? [null, 0];
        if ($fixture === null || $parameter === null) {
            return null;
        }
        $first = $fixture->first + $offset;

        return ['universe' => $fixture->universeId, 'levels' => array_combine(range($first, $first + $parameter->width - 1), $parameter->levels($value))];
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
        return array_values(array_filter($this->fixtures, static fn(Fixture $fixture): bool => $fixture->universeId === $universeId));
    }
}
