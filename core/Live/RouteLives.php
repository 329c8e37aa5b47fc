<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

/** How routes fare, for whoever looks: when they acted, what they nearly took, which are off, what their controls show. */
final readonly class RouteLives
{
    public Misses $misses;
    public Showings $showings;
    public Rounds $rounds;

    public function __construct(Runner $runner, public Firings $firings, public Switches $switches)
    {
        $this->misses = $runner->misses;
        $this->showings = $runner->showings;
        $this->rounds = $runner->sending->rounds;
    }
}
