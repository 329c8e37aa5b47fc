<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\State\Stored;

/** What each port of the show heard and said. */
final class Activities
{
    /** @var array<string, Activity> by port */
    private array $all = [];

    public function of(string $portId): Activity
    {
        return $this->all[$portId] ??= new Activity();
    }

    /** @return array<string, Activity> by port */
    public function all(): array
    {
        return $this->all;
    }

    public function adopt(Plan $plan): void
    {
        $this->all = array_intersect_key($this->all, $plan->ports);
    }

    /** @return array<string, string> for restore(): who spoke last, by port: it is whoever is replied to */
    public function state(): array
    {
        return array_filter(array_map(static fn(Activity $activity): string => $activity->messageFrom, $this->all));
    }

    public function restore(Stored $lastSenders, Plan $plan): void
    {
        foreach (array_intersect($lastSenders->names(), array_keys($plan->ports)) as $portId) {
            $this->of($portId)->messageFrom = $lastSenders->text($portId, 64);
        }
    }
}
