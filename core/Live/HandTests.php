<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Scope\Touches;
use NimbleJunction\Core\Trace\Trace;
use NimbleJunction\Core\Universe\Hands;
use NimbleJunction\Core\Universe\Hold;

/** Slots that people hold by hand, and what other levels bring with them. */
final readonly class HandTests
{
    private Hands $hands;

    public function __construct(Trace $trace, private Universes $universes, private Changes $changes, private Touches $touches)
    {
        $this->hands = new Hands($trace);
    }

    /** @param non-empty-list<Hold> $holds all by one person and until one time */
    public function hold(string $universeId, array $holds, int $now): void
    {
        $universe = $this->universes->find($universeId);
        if ($universe === null) {
            return;
        }
        $before = $universe->levels;
        $touched = Reference::parse("slot:{$universeId}/".($holds[0]->slot + 1));
        if ($touched !== null) {
            $this->touches->touch($touched, $now);
        }
        $event = $this->hands->hold($universe, $holds, $now);
        $this->changes->note($universe, $before, $event);
        $this->universes->dueAt = min($this->universes->dueAt, $holds[0]->until);
        $this->changes->lookSoon();
    }

    /**
     * @param string|null $universeId null for all
     * @param int|null $first 0 to 511; null for all slots
     * @param int|null $last 0 to 511; null for $first alone
     * @param bool $onlyOwn what others hold stays held
     */
    public function release(?string $universeId, ?int $first, ?int $last, string $by, int $now, bool $onlyOwn): void
    {
        foreach ($this->universes->all() as $universe) {
            $before = $universe->levels;
            $isMeant = $universeId === null || $universeId === $universe->id;
            $event = $isMeant ? $this->hands->release($universe, $first, $last, $by, $now, $onlyOwn) : null;
            if ($event !== null) {
                $this->changes->note($universe, $before, $event);
                $this->changes->lookSoon();
            }
        }
    }
}
