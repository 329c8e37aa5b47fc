<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/** Watches for the silence that says a cable is out: only once the other end has shown that it sends active sensing. */
final class ActiveSensing
{
    private ?int $heardAt = null;

    /** @param int $now nanoseconds */
    public function heard(MidiMessage $message, int $now): void
    {
        if ($message === RealTime::ActiveSensing || $this->heardAt !== null) {
            $this->heardAt = $now;
        }
    }

    public function isLost(int $now): bool
    {
        return $this->heardAt !== null && $now - $this->heardAt > RealTime::ACTIVE_SENSING_NANOS;
    }

    /** When isLost() may next become true; PHP_INT_MAX for never. */
    public function dueAt(): int
    {
        return $this->heardAt === null ? \PHP_INT_MAX : $this->heardAt + RealTime::ACTIVE_SENSING_NANOS + 1;
    }

    /** Sounding notes are to be ended now; watching begins anew with the next active sensing. */
    public function reset(): void
    {
        $this->heardAt = null;
    }
}
