<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** The routes that take the same. */
final readonly class ListeningRoutes extends Said
{
    /**
     * @param list<ListeningRoute> $routes in their order
     * @param int $more so many are not named
     */
    public function __construct(
        #[ListOf(ListeningRoute::class)]
        public array $routes,
        public int $more,
    ) {
    }
}
