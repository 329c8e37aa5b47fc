<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\PointRoom;
use NimbleJunction\Core\Point\Reference;

/** A room whose points are those of the plan in force. */
abstract class PlanRoom implements PointRoom
{
    protected Plan $plan;

    public function __construct()
    {
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        return 'it is set and stays so: nobody gives it for a while';
    }

    public function without(Reference $reference, string $owner): int|float|null
    {
        return null;
    }

    public function members(Reference $reference): array
    {
        return [$reference];
    }

    public function slots(Reference $reference): array
    {
        return ['', []];
    }
}
