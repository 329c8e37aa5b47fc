<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Discovery\Neighbour;
use NimbleJunction\Core\Port\Activity;

/** What is seen of a port and around it, at the moment of a check. */
final readonly class Observed
{
    /**
     * @param list<array{number: int, from: string}> $unclaimed universes that arrive where this port listens, and nobody asks for
     * @param list<array{port: int, from: string, at?: int}> $knocks packets at neighbouring port numbers that nobody listens at, and when the last one came
     * @param array<string, array<string, int>> $elsewhere senders that our other ports hear, by the port's name
     * @param list<string> $deaf "address:port" of other ends where the machine says that nothing listens
     * @param list<Neighbour> $neighbours what says on the network that it is there
     * @param list<string>|null $connected who is connected, where a link is a connection; null where it is none
     * @param array<string, bool> $machines by address: whether a machine of our own networks answers at all; not there where that is not known
     */
    public function __construct(
        public Activity $activity,
        public array $unclaimed = [],
        public array $knocks = [],
        public array $elsewhere = [],
        public array $deaf = [],
        public array $neighbours = [],
        public ?array $connected = null,
        public Arrivals $arrivals = new Arrivals(),
        public array $machines = [],
    ) {
    }
}
