<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

/** A slot of a universe that moves while somebody learns. */
final class SlotCandidate
{
    public int $count = 0;
    public readonly Movement $movement;

    /** @param int $slot 0 to 511 */
    public function __construct(public readonly int $slot, int $level, public int $at)
    {
        $this->movement = new Movement((float) $level);
    }

    public function heard(int $level, int $now): void
    {
        ++$this->count;
        $this->at = $now;
        $this->movement->heard((float) $level);
    }
}
