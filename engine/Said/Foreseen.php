<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What would leave, and is not sent. */
final readonly class Foreseen extends Said
{
    /**
     * @param list<ForeseenPoint> $points those that would be otherwise, or not as wanted, first
     * @param int $same how many would be as they are, and as wanted
     * @param int $more how many are left out, since they are too many to look at
     */
    public function __construct(#[ListOf(ForeseenPoint::class)] public array $points, public int $same, public int $more)
    {
    }
}
