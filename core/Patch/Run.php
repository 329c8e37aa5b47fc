<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** Something else than a fixture of a profile that listens to a run of slots: the pixels of a map, what is offered to a desk. */
interface Run
{
    /** What the patch shows of it: its name, and the address where it begins. It has no profile. */
    public function fixture(): Fixture;

    /** @return int its last slot, 1 to 512 */
    public function last(): int;

    /**
     * @param int $slot 1 to 512
     *
     * @return Placed|null what it means there; null for nothing
     */
    public function at(int $slot): ?Placed;

    /** @return list<list<int>> slots, from 1 as its own first one, that together are one value, the coarsest first */
    public function wide(): array;
}
