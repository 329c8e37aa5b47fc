<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Signal\Frame;
use NimbleJunction\Core\Signal\Protocol;

/**
 * Holds frames back that wait for a synchronisation packet of their sender.
 * Without one for a while, frames are taken as they come: Art-Net 4 says four
 * seconds; ANSI E1.31-2018, 11.1.2 says the time after which a source counts
 * as lost (both from memory). Whatever frames are held when that time is over
 * are let go.
 */
final class Synchroniser
{
    private const PATIENCE = ['art-net' => 4_000_000_000, 'sacn' => 2_500_000_000];
    private const MOST_KEYS = 256;

    /** When forgotten() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, int> when frames are no longer held for it, by key */
    private array $until = [];

    /** @var array<string, array<string, array{string, Frame, string}>> endpoint, frame and sender that wait, by key and universe */
    private array $waiting = [];

    /** Whether the frame waits; the one that it replaces is never shown. */
    public function holds(string $endpointKey, Frame $frame, string $from, int $now): bool
    {
        // A sender that ends or gives priorities is not kept waiting, and one that never synchronised is not either.
        if (! isset($this->until[$frame->sync]) || $this->until[$frame->sync] <= $now || $frame->ended || $frame->startCode !== 0) {
            return false;
        }
        $this->waiting[$frame->sync]["{$endpointKey} {$frame->number} {$frame->source}"] = [$endpointKey, $frame, $from];

        return true;
    }

    /** @return list<array{string, Frame, string}> endpoint, frame and sender that were held for it */
    public function pulse(string $key, Protocol $protocol, int $now): array
    {
        $released = array_values($this->waiting[$key] ?? []);
        unset($this->waiting[$key]);
        if (isset($this->until[$key]) || \count($this->until) < self::MOST_KEYS) {
            $this->until[$key] = $now + (self::PATIENCE[$protocol->value] ?? 0);
            $this->dueAt = min($this->until);
        }

        return $released;
    }

    /** @return list<array{string, Frame, string}> what waited for synchronisation that did not come */
    public function forgotten(int $now): array
    {
        $released = [];
        foreach ($this->until as $key => $until) {
            if ($until <= $now) {
                array_push($released, ...array_values($this->waiting[$key] ?? []));
                unset($this->until[$key], $this->waiting[$key]);
            }
        }
        $this->dueAt = $this->until === [] ? \PHP_INT_MAX : min($this->until);

        return $released;
    }
}
