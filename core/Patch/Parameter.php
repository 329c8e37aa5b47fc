<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** One thing about a fixture that can be set: it takes one slot, or two to four for a finer value. */
final readonly class Parameter
{
    /**
     * @param int $width slots, 1 to 4: 8 to 32 bits, the coarsest first
     * @param bool $isIntensity highest takes precedence for intensity, latest for everything else (common practice, no source)
     * @param list<int> $at its slots within the fixture, from 1, the coarsest first; none for the next ones that are free
     */
    public function __construct(public string $name, public int $width = 1, public bool $isIntensity = false, public array $at = [])
    {
    }

    /**
     * @param float $value 0 to 1
     *
     * @return list<int> level of each slot, the coarsest first
     */
    public function levels(float $value): array
    {
        $whole = (int) round(max(0.0, min(1.0, $value)) * (256 ** $this->width - 1));
        $levels = [];
        for ($slot = $this->width - 1; $slot >= 0; --$slot) {
            $levels[] = $whole >> 8 * $slot & 255;
        }

        return $levels;
    }
}
