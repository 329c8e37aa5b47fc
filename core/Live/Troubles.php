<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Port\State;

/** For how long ports have been in trouble, as far as they were looked at. */
final class Troubles
{
    /** @var array<string, int> since when, in nanoseconds, by port */
    private array $since = [];

    /** @return int whole seconds; 0 where it is well, or nothing is expected of it */
    public function seconds(string $port, State $state, int $now): int
    {
        if (! $state->isTrouble()) {
            unset($this->since[$port]);

            return 0;
        }
        $this->since[$port] ??= $now;

        return intdiv($now - $this->since[$port], 1_000_000_000);
    }

    public function forget(string $port): void
    {
        unset($this->since[$port]);
    }
}
