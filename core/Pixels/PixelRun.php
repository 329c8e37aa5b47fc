<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Run;
use NimbleJunction\Core\Signal\Frame;

/** What a pixel map takes of one universe: it stands in the patch as a fixture does. */
final readonly class PixelRun implements Run
{
    private Fixture $fixture;

    /**
     * @param int $place of the universe among those of the map, from 0
     * @param int $first 1 to 512
     * @param int $last 1 to 512
     */
    public function __construct(public PixelMap $map, public int $place, string $universe, int $first, private int $last)
    {
        $this->fixture = new Fixture($map->id, $map->name, '', $universe, $first, sharesWith: $map->sharesWith);
    }

    public function fixture(): Fixture
    {
        return $this->fixture;
    }

    public function last(): int
    {
        return $this->last;
    }

    public function at(int $slot): ?Placed
    {
        $found = $this->map->wiring->at($this->place * Frame::SLOTS + $slot - 1);
        if ($found === null) {
            return null;
        }
        [$pixel, $colour] = $found;
        $parameter = $this->map->order->parameters()[$colour];
        $number = $pixel + 1;

        return new Placed(
            "{$number}/{$parameter->key}",
            "pixel {$number} {$parameter->name}",
            $parameter,
            [$slot - $this->fixture->first + 1],
            '',
        );
    }

    public function wide(): array
    {
        return [];
    }

    /**
     * Where what its slots are of begins anew: at its first slot, and after each gap.
     *
     * @return list<array{int, int, int}> slot from 1, pixel from 1, colour in its order from 0
     */
    public function stretches(): array
    {
        $stretches = [];
        $expected = null;
        for ($slot = $this->fixture->first; $slot <= $this->last; ++$slot) {
            $found = $this->map->wiring->at($this->place * Frame::SLOTS + $slot - 1);
            if ($found !== null && $found !== $expected) {
                $stretches[] = [$slot, $found[0] + 1, $found[1]];
            }
            $isLastColour = $found !== null && $found[1] === $this->map->order->width() - 1;
            $expected = match (true) {
                $found === null => null,
                $isLastColour => [$found[0] + 1, 0],
                default => [$found[0], $found[1] + 1],
            };
        }

        return $stretches;
    }
}
