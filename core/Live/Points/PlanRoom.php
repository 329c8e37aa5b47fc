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

    public function slots(Reference $reference): array
    {
        return ['', []];
    }
}
