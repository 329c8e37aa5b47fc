<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline;

use NimbleJunction\Core\Route\Occurred;

/** A moment of a timeline as it is played: what happens then, by which route, and which one owns what that gives. */
final readonly class Due
{
    /**
     * @param Occurred|null $ending what ends what begins here; null where nothing has to be ended
     * @param string $endingId id of the route that does that
     */
    public function __construct(
        public float $at,
        public Moment $moment,
        public string $routeId,
        public string $ownerId,
        public Occurred $event,
        public ?Occurred $ending = null,
        public string $endingId = '',
    ) {
    }
}
