<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** What each port of the show heard and said. */
final class Activities implements Room
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

    public function key(): string
    {
        return 'lastSenders';
    }

    /** Who spoke last, by port: it is whoever is replied to. */
    public function revisions(): array
    {
        return array_filter(array_map(static fn(Activity $activity): int => $activity->speakers, $this->all));
    }

    public function kept(string $part, int $now): string
    {
        return $this->of($part)->messageFrom;
    }

    public function restore(Stored $lastSenders, Plan $plan): void
    {
        foreach (array_intersect($lastSenders->names(), array_keys($plan->ports)) as $portId) {
            $this->of($portId)->spokeLast($lastSenders->text($portId, 64));
        }
    }
}
