<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

/** What reached this machine in the last minute and no program of it, as its system counts it: packets. */
final readonly class Arrivals
{
    /**
     * @param int $unheard for UDP ports that nobody listens at
     * @param int $filtered thrown away before any program could have them: a packet filter
     * @param int $wrongWay thrown away as their sender's address is reached by another adapter, or not at all
     */
    public function __construct(public int $unheard = 0, public int $filtered = 0, public int $wrongWay = 0)
    {
    }
}
