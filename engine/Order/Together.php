<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Patch\Placement;

/** Parameters of many fixtures that are held at once: one hold a universe, however many they are. */
final class Together
{
    /** @var array<string, array<int, int>> level by universe and slot, 1 to 512 */
    private array $levels = [];

    /** @param int $value in as many bits as the parameter has */
    public function add(Placement $placement, int $value): void
    {
        foreach ($placement->levels($value) as $slot => $level) {
            $this->levels[$placement->universeId][$slot + 1] = $level;
        }
    }

    public function isEmpty(): bool
    {
        return $this->levels === [];
    }

    public function hold(Reach $reach): void
    {
        foreach ($this->levels as $universe => $levels) {
            ksort($levels);
            $reach->engine->hold((string) $universe, $levels, $reach->by(), HoldSlots::USUAL_SECONDS);
        }
    }
}
