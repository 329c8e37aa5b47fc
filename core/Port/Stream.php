<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Merge\Rhythm;

/** The frames that one sender sends into one universe through a port. */
final class Stream
{
    /** It has said itself that it ends. */
    public bool $isOver = false;

    /**
     * @param string $name of the sender
     * @param string $universe the name of the universe that it feeds
     * @param int $lostAfter nanoseconds of silence after which it is lost
     */
    public function __construct(
        public readonly Rhythm $rhythm,
        public string $name,
        public string $universe,
        public int $lostAfter,
    ) {
    }

    public function state(int $now): State
    {
        return match (true) {
            $this->isOver || $this->rhythm->silence($now) >= $this->lostAfter => State::Lost,
            $this->rhythm->isOverdue($now) => State::Silent,
            $this->rhythm->unsteadiness() !== '' => State::Unsteady,
            default => State::Alive,
        };
    }

    /** Its rhythm is slower than its time-out: it drops out each time. */
    public function isTooSlow(): bool
    {
        return $this->rhythm->usual() >= $this->lostAfter;
    }
}
