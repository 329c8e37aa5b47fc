<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Learn;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Route\Learned;
use NimbleJunction\Core\Scope\Candidate;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\LearnWay;
use NimbleJunction\Engine\Said\Moved;

/** What moves at a port. */
final readonly class FromPort implements Source
{
    public function __construct(private Junction $junction)
    {
    }

    public function candidates(string $of, int $now): array
    {
        return array_map(
            fn(Candidate $one): \Closure => fn(): LearnCandidate => $this->line($of, $one),
            isset($this->junction->plan()->ports[$of]) ? $this->junction->probes->learning->candidates($of, $now) : [],
        );
    }

    private function line(string $portId, Candidate $one): LearnCandidate
    {
        $plan = $this->junction->plan();

        return new LearnCandidate(
            $one->last->address(),
            $plan->agreed->address($one->last->address(), $plan->middleC) ?? $one->last->address(),
            $plan->agreed->said($one->last, $plan->middleC),
            $one->count,
            Engine::millis($one->at),
            array_map(
                static fn(array $moved, int $place): Moved => new Moved($place, $moved['low'], $moved['high']),
                $one->moved,
                array_keys($one->moved),
            ),
            array_map(
                static fn(array $way): LearnWay => new LearnWay($way['words'], $way['part']),
                Learned::ways($portId, $one->last, $one->argument(), $plan->middleC),
            ),
            $one->argument(),
        );
    }
}
