<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** On whose behalf a point is set or pressed. */
final readonly class Act
{
    /**
     * @param string $owner the same as long as it is the same owner: "route doors"
     * @param string $name for people: 'Route "Doors"'
     * @param int|null $priority 0 to 200; null joins whoever is in control
     */
    public function __construct(public string $owner, public string $name, public ?int $priority = null)
    {
    }
}
