<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use Revolt\EventLoop;
use Revolt\EventLoop\Suspension;

/** The moment at which a process is to end, waited for in the event loop; it may come before anybody waits. */
final class Ending
{
    private bool $come = false;

    /** @var Suspension<mixed>|null */
    private ?Suspension $waiting = null;

    public function now(): void
    {
        if (! $this->come) {
            $this->come = true;
            $this->waiting?->resume();
        }
    }

    /** Runs the event loop until it comes. */
    public function suspend(): void
    {
        if (! $this->come) {
            $this->waiting = EventLoop::getSuspension();
            $this->waiting->suspend();
        }
    }
}
