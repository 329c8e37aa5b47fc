<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How a route fares: when it acted last, how often, and what it nearly took. */
final readonly class RouteNews extends Message
{
    /**
     * @param float|null $firedAt milliseconds of the engine's clock; null for not since the engine started
     * @param int $fired how often
     * @param int $echoes how often its control has sent back what it was told
     * @param string $round id of the route that it goes round with, through programs outside; '' for none
     */
    public function __construct(
        public string $route,
        public float $now,
        public ?float $firedAt,
        public int $fired,
        public ?NearLine $near,
        public int $echoes,
        public string $round,
    ) {
    }

    public static function type(): string
    {
        return 'route';
    }
}
