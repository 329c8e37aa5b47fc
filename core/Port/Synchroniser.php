<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;

/**
 * Holds frames back that wait for a synchronisation packet of their sender.
 * Art-Net: without one for four seconds frames are taken as they come again
 * (Art-Net 4, "ArtSync"). sACN: once the time after which a source counts as
 * lost has passed, it is for the sender to say: with Force_Synchronization set
 * its frames are taken as they come, without it they wait until synchronisation
 * is back (ANSI E1.31-2018, 6.2.6 and 11.1.2). All from memory.
 */
final class Synchroniser
{
    private const PATIENCE = ['art-net' => 4_000_000_000, 'sacn' => 2_500_000_000];
    private const MOST_KEYS = 256;
    private const LOST = \PHP_INT_MAX;

    /** When forgotten() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, int> when synchronisation counts as lost, by key; LOST once it is */
    private array $until = [];

    /** @var array<string, Protocol> by key */
    private array $protocols = [];

    /**
     * @var array<string, array<string, array{string, Frame, string}>> endpoint, frame and sender that wait, by key and
     * universe
     */
    private array $waiting = [];

    /** Whether the frame waits; the one that it replaces is never shown. */
    public function holds(string $endpointKey, Frame $frame, string $from, int $now): bool
    {
        $place = "{$endpointKey} {$frame->number} {$frame->source}";
        // A sender that ends or gives priorities is not kept waiting, and one that never synchronised is not either.
        if (
            ! isset($this->until[$frame->sync])
            || $this->until[$frame->sync] <= $now
            || $frame->ended
            || $frame->startCode !== 0
        ) {
            return false;
        }
        if ($this->until[$frame->sync] === self::LOST && $frame->freeRuns) {
            return false;
        }
        $this->waiting[$frame->sync][$place] = [$endpointKey, $frame, $from];

        return true;
    }

    /** The frame is shown now: none that waits in its place is shown after it. */
    public function passes(string $endpointKey, Frame $frame): void
    {
        unset($this->waiting[$frame->sync]["{$endpointKey} {$frame->number} {$frame->source}"]);
    }

    /** @return list<array{string, Frame, string}> endpoint, frame and sender that were held for it */
    public function pulse(string $key, Protocol $protocol, int $now): array
    {
        $released = array_values($this->waiting[$key] ?? []);
        unset($this->waiting[$key]);
        if (! isset($this->until[$key]) && \count($this->until) >= self::MOST_KEYS) {
            $this->forget((string) (array_search(self::LOST, $this->until, true) ?: array_key_first($this->until)));
        }
        $this->until[$key] = $now + (self::PATIENCE[$protocol->value] ?? 0);
        $this->protocols[$key] = $protocol;
        $this->dueAt = min($this->until);

        return $released;
    }

    /** @return list<array{string, Frame, string}> what waited for synchronisation that did not come, and may go on without */
    public function forgotten(int $now): array
    {
        $released = [];
        foreach ($this->until as $key => $until) {
            if ($until > $now) {
                continue;
            }
            $waiting = $this->waiting[$key] ?? [];
            array_push($released, ...array_values(array_filter($waiting, static fn(array $one): bool => $one[1]->freeRuns)));
            if ($this->protocols[$key] === Protocol::Sacn) {
                $this->until[$key] = self::LOST;
                $this->waiting[$key] = array_filter($waiting, static fn(array $one): bool => ! $one[1]->freeRuns);
            } else {
                $this->forget($key);
            }
        }
        $this->dueAt = $this->until === [] ? \PHP_INT_MAX : min($this->until);

        return $released;
    }

    private function forget(string $key): void
    {
        unset($this->until[$key], $this->waiting[$key], $this->protocols[$key]);
    }
}
