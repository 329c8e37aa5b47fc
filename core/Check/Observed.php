<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Port\Activity;

/** What is seen of a port and around it, at the moment of a check. */
final readonly class Observed
{
    /**
     * @param list<array{number: int, from: string}> $unclaimed universes that arrive where this port listens, and nobody asks for
     * @param list<array{port: int, from: string}> $knocks packets at neighbouring port numbers that nobody listens at
     * @param array<string, array<string, int>> $elsewhere senders that our other ports hear, by the port's name
     * @param list<string> $deaf "address:port" of other ends where the machine says that nothing listens
     */
    public function __construct(
        public Activity $activity,
        public array $unclaimed = [],
        public array $knocks = [],
        public array $elsewhere = [],
        public array $deaf = [],
    ) {
    }
}
