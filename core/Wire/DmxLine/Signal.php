<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

/** What the wire does: low for some time, high for some time, or one slot of 11 bits. */
final readonly class Signal
{
    /**
     * @param float|null $micros how long; null for a slot
     * @param int|null $slot 0 to 255; null for a level
     * @param bool $sound whether a slot had both its stop bits
     */
    private function __construct(public bool $high, public ?float $micros, public ?int $slot, public bool $sound = true)
    {
    }

    public static function low(float $micros): self
    {
        return new self(false, $micros, null);
    }

    public static function high(float $micros): self
    {
        return new self(true, $micros, null);
    }

    public static function slot(int $value, bool $sound = true): self
    {
        return new self(true, null, $value, $sound);
    }
}
