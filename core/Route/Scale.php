<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** A straight line from one range to another. Either range may run downwards; what lies outside is held at its end. */
final readonly class Scale
{
    public function __construct(
        public float $fromLow,
        public float $fromHigh,
        public float $toLow,
        public float $toHigh,
    ) {
    }

    public function apply(int|float $value): float
    {
        $width = $this->fromHigh - $this->fromLow;
        $place = $width === 0.0 ? 0.0 : ($value - $this->fromLow) / $width;
        if (is_nan($place)) {
            return $this->toLow;
        }

        return $this->toLow + max(0.0, min(1.0, $place)) * ($this->toHigh - $this->toLow);
    }

    /**
     * The same, going on in a straight line beyond its ends.
     *
     * @param bool $below beyond the first end
     * @param bool $above beyond the second
     */
    public function open(float $value, bool $below, bool $above): float
    {
        $width = $this->fromHigh - $this->fromLow;
        $place = $width === 0.0 || ! is_finite($value) ? 0.0 : ($value - $this->fromLow) / $width;
        $place = max($below ? -\INF : 0.0, min($above ? \INF : 1.0, $place));

        return $this->toLow + $place * ($this->toHigh - $this->toLow);
    }

    public function reversed(): self
    {
        return new self($this->toLow, $this->toHigh, $this->fromLow, $this->fromHigh);
    }
}
