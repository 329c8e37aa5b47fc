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
     * @param bool $isHighest among what is ours the highest has it, where the universe says so; else whoever acted last
     * @param bool $goesOn it is no act of its own, but goes on with one: it takes nothing from who acted since
     */
    public function __construct(
        public string $owner,
        public string $name,
        public ?int $priority = null,
        public bool $isHighest = false,
        public bool $goesOn = false,
    ) {
    }
}
