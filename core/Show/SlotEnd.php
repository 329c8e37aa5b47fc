<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

final readonly class SlotEnd
{
    /**
     * @param int $slot 1 to 512
     * @param int $low 0 to 255
     * @param int $high 0 to 255
     */
    public function __construct(public string $universe, public int $slot, public int $low, public int $high)
    {
    }
}
