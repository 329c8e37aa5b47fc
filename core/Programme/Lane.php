<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Placement;

/** A parameter, or a slot that nothing is known of, that looks and cues give a value. */
final readonly class Lane
{
    private const HIGHEST_OF_SLOT = 255;

    /**
     * @param string $key the point, as text: the same as long as it is the same parameter, wherever it lies
     * @param list<int> $slots 0 to 511, the coarsest first
     * @param int $zero its value at 0 %
     * @param int $highest that its slots can hold
     * @param bool $takesHighest whether the highest takes precedence there
     * @param Parameter|null $parameter null for a slot that nothing is known of
     */
    public function __construct(
        public string $key,
        public string $universeId,
        public array $slots,
        public ParameterKind $kind,
        public int $zero,
        public int $highest,
        public bool $takesHighest,
        public ?Parameter $parameter = null,
    ) {
    }

    /** @param string $latest 512 bytes: 255 in the slots where the latest takes precedence */
    public static function ofParameter(string $key, Placement $placement, string $latest): self
    {
        $parameter = $placement->placed->parameter;

        return new self(
            $key,
            $placement->universeId,
            $placement->slots,
            $parameter->kind,
            $parameter->value(0.0),
            $parameter->highest(),
            $latest[$placement->slots[0]] === "\0",
            $parameter,
        );
    }

    /**
     * @param int $slot 0 to 511
     * @param string $latest 512 bytes: 255 in the slots where the latest takes precedence
     */
    public static function ofSlot(string $key, string $universeId, int $slot, bool $isIntensity, string $latest): self
    {
        $kind = $isIntensity ? ParameterKind::Intensity : ParameterKind::Other;

        return new self($key, $universeId, [$slot], $kind, 0, self::HIGHEST_OF_SLOT, $latest[$slot] === "\0");
    }

    public function isIntensity(): bool
    {
        return $this->kind === ParameterKind::Intensity;
    }

    /** Whether what it gives is added to what is there, by the highest: it begins at nothing then, and ends at nothing. */
    public function isBeside(): bool
    {
        return $this->takesHighest && $this->isIntensity();
    }

    /** @param string $levels 512 bytes */
    public function valueIn(string $levels): int
    {
        $value = 0;
        foreach ($this->slots as $slot) {
            $value = $value << 8 | \ord($levels[$slot]);
        }

        return $value;
    }

    /**
     * @param string $levels 512 bytes
     *
     * @return string the same with a value in its slots
     */
    public function laidIn(string $levels, int $value): string
    {
        foreach (array_reverse($this->slots) as $slot) {
            $levels[$slot] = \chr($value & 255);
            $value >>= 8;
        }

        return $levels;
    }
}
