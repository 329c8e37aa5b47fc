<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Shows;

use Revolt\EventLoop;

/** Long work in slices: after each, whatever waits in the loop has its turn. Only within a fiber of the loop. */
final class Slices
{
    private const SLICE_NANOS = 3_000_000;

    /** Between two slices: so long nothing of it is done, and frames leave in time. */
    private const REST_SECONDS = 0.002;
    private int $until;

    public function __construct()
    {
        $this->until = (int) hrtime(true) + self::SLICE_NANOS;
    }

    /** Called between two pieces of the work. */
    public function between(): void
    {
        if (hrtime(true) < $this->until) {
            return;
        }
        $suspension = EventLoop::getSuspension();
        EventLoop::delay(self::REST_SECONDS, static fn() => $suspension->resume());
        $suspension->suspend();
        $this->until = (int) hrtime(true) + self::SLICE_NANOS;
    }
}
