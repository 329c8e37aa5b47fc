<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** A parameter of a fixture, at its slots in the universe. */
final readonly class Placement
{
    /** @var list<int> slots from 0, the coarsest first */
    public array $slots;

    /** Where these slots are: its fixture's universe, or beside it. */
    public string $universeId;

    public function __construct(public Fixture $fixture, public Placed $placed)
    {
        $this->universeId = $placed->isVirtual ? Intensities::beside($fixture->universeId) : $fixture->universeId;
        $this->slots = array_map(static fn(int $slot): int => $fixture->first - 2 + $slot, $placed->slots);
    }

    public function name(): string
    {
        return "{$this->fixture->name}, {$this->placed->name}";
    }

    /** @return array<int, int> level by slot from 0 */
    public function levels(int $value): array
    {
        return array_combine($this->slots, $this->placed->parameter->slots($value));
    }

    /** @param string $levels 512 bytes */
    public function valueIn(string $levels): int
    {
        $value = 0;
        foreach ($this->slots as $slot) {
            $value = $value << 8 | \ord($levels[$slot]);
        }

        return $value;
    }
}
